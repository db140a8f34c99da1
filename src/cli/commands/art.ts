import { alphaSaid, families, fromSaid, zoneSaid } from "../../core/app/catalog/all.ts";
import { succeed } from "../../core/ground/problems/result.ts";
import { platformNames } from "../../core/ground/values/platform.ts";
import { listPictures, writeGuide } from "../../core/operations/art.ts";
import type { Slot } from "../../core/pictures/slots/slot.ts";
import type { Run } from "../command.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"art"> = async (given, { terminal, ports }) => {
  const { guide } = given;
  if (guide !== undefined) {
    const written = await writeGuide({ ...given, file: guide }, ports);
    if (!written.ok) return written;
    const { file, bytes, pictures } = written.value;
    if (given.json) terminal.json({ file, bytes });
    else if (!given.quiet) terminal.print(`The artwork guide is in ${terminal.out.cyan(guide)}`);
    return succeed(pictures > 0 ? 0 : 1);
  }
  const listed = await listPictures(given, ports);
  if (!listed.ok) return listed;
  const slots = listed.value;
  if (given.json) terminal.json({ slots: slots.map(asData) });
  else if (given.csv) await showCsv(slots, terminal);
  else show(slots, terminal);
  return succeed(slots.length > 0 ? 0 : 1);
};

async function showCsv(slots: readonly Slot[], { raw }: Terminal): Promise<void> {
  const { csvText } = await import("../../core/clients/roster/sheet.ts");
  const rows = slots.map((slot) => Object.values(asData(slot)).map(String));
  raw(csvText([slots[0] ? Object.keys(asData(slots[0])) : [], ...rows]).trimEnd());
}

const asData = (slot: Slot) => ({
  platform: slot.platform,
  role: slot.role,
  qualifier: slot.qualifier,
  width: slot.width,
  height: slot.height,
  drawnFrom: slot.from,
  ground: slot.ground.kind,
  alpha: slot.alpha,
  tone: slot.tone,
  safeZone: slot.safe.shape,
  safeShare: Math.round(slot.safe.share * 1000) / 1000,
  rule: slot.rule,
});

const sizeOf = ({ width, height }: Slot): string => (width === height ? String(width) : `${width}×${height}`);

/** A row a family of sizes; with --verbose, a row a picture. */
function show(slots: readonly Slot[], { print, out, settings, width, room }: Terminal): void {
  const rows = settings.verbose
    ? slots.map((slot) => ({
        first: slot,
        sizes: sizeOf(slot),
        name: `${slot.role}  ${out.dim(slot.qualifier)}`,
      }))
    : families(slots).map(({ first, name, slots: all }) => ({ first, sizes: sizesOf(all, width), name }));
  const cells = rows.map(({ first, sizes, name }) => [
    platformNames[first.platform],
    name,
    sizes,
    fromSaid(first),
    zoneSaid(first),
    alphaSaid[first.alpha],
  ]);
  print(table(["platform", "picture", "pixels", "drawn from", "safe zone", "transparency"], cells, out, room));
  print(
    out.dim(`\n${countOf(slots.length, "picture")}. Rules: --json or --csv; a page for designers: --guide guide.html`),
  );
}

function sizesOf(slots: readonly Slot[], width: number): string {
  const sizes = [...new Set(slots.map(sizeOf))];
  const shown = sizes.length > 6 || width < 120 ? [sizes[0], "…", sizes.at(-1)] : sizes;
  return sizes.length < 3 ? sizes.join(" ") : shown.join(" ");
}
