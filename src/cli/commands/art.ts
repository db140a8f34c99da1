import { resolve } from "node:path";
import { allSlots, alphaSaid, families, fromSaid, zoneSaid } from "../../core/catalog/all.ts";
import type { Slot } from "../../core/catalog/slot.ts";
import { expectedAmong } from "../../core/problems/nearest.ts";
import { refuse } from "../../core/problems/problem.ts";
import { type Platform, platformNames } from "../../core/values/platform.ts";
import { table } from "../view/table.ts";
import { counted, openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";
import { writeWhole } from "../view/write-whole.ts";

interface Options {
  platform?: Platform;
  role?: string;
  csv?: boolean;
  guide?: string;
}

export async function run(_: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const roles = [...new Set(allSlots.map(({ role }) => role))];
  const { role: asked } = options;
  if (asked !== undefined && !roles.some((role) => role.toLowerCase() === asked.toLowerCase()))
    refuse("role-unknown", `No picture is of the role "${asked}".`, {
      expected: expectedAmong(asked, roles, "a role that oxalis art lists"),
    });
  const slots = allSlots.filter(
    ({ platform, role }) =>
      (options.platform ?? platform) === platform &&
      (options.role ?? role).toLowerCase() === role.toLowerCase(),
  );
  if (options.guide !== undefined) return writeGuide(options.guide, slots, options, terminal);
  if (options.json) terminal.json({ slots: slots.map(asData) });
  else if (options.csv) {
    const { csvText } = await import("../../core/roster/sheet.ts");
    const rows = slots.map((slot) => Object.values(asData(slot)).map(String));
    terminal.print(csvText([Object.keys(asData(slots[0] as Slot)), ...rows]).trimEnd());
  } else show(slots, terminal);
  return slots.length > 0 ? 0 : 1;
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
function show(slots: readonly Slot[], { print, out, settings, width }: Terminal): void {
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
  print(table(["platform", "picture", "pixels", "drawn from", "safe zone", "transparency"], cells, out));
  print(
    out.dim(
      `\n${counted(slots.length, "picture")}. Rules: --json or --csv; a page for designers: --guide guide.html`,
    ),
  );
}

function sizesOf(slots: readonly Slot[], width: number): string {
  const sizes = [...new Set(slots.map(sizeOf))];
  const shown = sizes.length > 6 || width < 120 ? [sizes[0], "…", sizes.at(-1)] : sizes;
  return sizes.length < 3 ? sizes.join(" ") : shown.join(" ");
}

async function writeGuide(
  file: string,
  slots: readonly Slot[],
  options: Settings,
  terminal: Terminal,
): Promise<number> {
  const { makeGuide } = await import("../../core/guide/guide.ts");
  const html = makeGuide(await openWorkspace(options), slots);
  writeWhole(resolve(file), html);
  if (options.json) terminal.json({ file: resolve(file), bytes: Buffer.byteLength(html) });
  else if (!options.quiet) terminal.print(`The artwork guide is in ${terminal.out.cyan(file)}`);
  return 0;
}
