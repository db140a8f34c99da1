import { extname } from "node:path";
import { type Capture, captureFolder } from "../../clients/record/captures.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { CaptureDevice, CaptureRow } from "../../stores/capture-row.ts";
import type { StoreDefinition } from "../../stores/definition.ts";

/** How many pictures of a class of devices there are in the main language, of those that a store wants. */
export interface CaptureStanding {
  device: CaptureDevice;
  title: string;
  need: CaptureRow["need"];
  /** Those that the store takes. */
  count: number;
  least: number;
  most: number;
  isDone: boolean;
}

type Judged = Pick<StoreRecord, "client" | "languages" | "captures" | "devices">;

/** A row as it is meant for an app: what nobody says whether it is for tablets is asked about. */
type Row = CaptureRow & { isUnsure?: true };

const wanted = (row: CaptureRow, devices: string | undefined): Row =>
  row.only && devices === undefined ? { ...row, need: "recommended", isUnsure: true } : row;

/** Holds the pictures of a running app against what a store takes. */
export function judgeCaptures(
  store: StoreDefinition,
  { client, languages: [language = "en"], captures, devices }: Judged,
): { standings: CaptureStanding[]; problems: Problem[] } {
  const judged = store.captures.flatMap((row): Row[] =>
    row.only && devices === "phone" ? [] : [wanted(row, devices)],
  );
  const found = judged.map((row) => {
    const ofDevice = captures
      .filter((each) => each.device === row.device)
      .map((capture) => ({ capture, fault: faultOf(capture, row) }));
    const faults = ofDevice.flatMap(({ capture: { file }, fault }) => {
      if (fault === undefined) return [];
      const about = ["captures", row.device, file];
      return [problem("capture-invalid", `${file} ${fault}.`, { client, expected: takenBy(row), about })];
    });
    const own = ofDevice.filter(({ capture, fault }) => capture.language === language && fault === undefined);
    return {
      row,
      count: own.length,
      faults,
      missing: countProblem(row, { count: own.length, hasAny: ofDevice.length > 0 }, client, store),
    };
  });
  return {
    standings: found.map(({ row, count, faults, missing }) => ({
      device: row.device,
      title: row.title,
      need: row.need,
      count,
      least: row.least,
      most: row.most,
      isDone: faults.length === 0 && missing.length === 0,
    })),
    problems: found.flatMap(({ faults, missing }) => [...missing, ...faults]),
  };
}

function countProblem(
  { title, need, least, most, device, isUnsure }: Row,
  { count, hasAny }: { count: number; hasAny: boolean },
  client: string,
  store: StoreDefinition,
): Problem[] {
  const about = ["captures", device];
  if (count > most) {
    const message = `${store.title} takes ${most} of "${title}": there are ${count}.`;
    return [problem("capture-invalid", message, { client, about })];
  }
  if (count >= least || (need === "optional" && !hasAny)) return [];
  const where = isUnsure ? ", if the app runs there" : need === "optional" ? ", or none" : "";
  const message = `${store.title} wants ${least} of "${title}"${where}: there are ${count}.`;
  const fix = `Put them into the client's folder, as ${captureFolder(device)}/.`;
  const severity = need === "required" ? "error" : isUnsure || need === "optional" ? "warning" : "note";
  return [problem("capture-missing", message, { client, severity, about, fix })];
}

/** What is wrong with a picture; undefined where the store takes it. */
function faultOf({ file, size }: Capture, { sizes, isWide, within, formats }: CaptureRow): string | undefined {
  if (!size) return "is no picture";
  const format = extname(file).toLowerCase().replace(".jpeg", ".jpg").slice(1);
  if (!(formats as readonly string[]).includes(format)) return `is a ${format.toUpperCase()}`;
  const { width, height } = size;
  const [shorter, longer] = [Math.min(width, height), Math.max(width, height)];
  const is = `is ${width} × ${height}`;
  if (isWide && height > width) return `${is}, higher than wide`;
  if (sizes) return sizes.some(([w, h]) => w === shorter && h === longer) ? undefined : is;
  if (!within) return undefined;
  const isFitting =
    shorter >= within.least &&
    longer <= within.most &&
    longer <= within.ratio * shorter &&
    longer >= (within.longest ?? 0);
  return isFitting ? undefined : is;
}

function takenBy({ sizes, isWide, within, formats }: CaptureRow): string {
  const kinds = formats.map((each) => (each === "jpg" ? "JPEG" : "PNG")).join(" or ");
  const said = sizes?.map((size) => (isWide ? size.toReversed() : size).join(" × "));
  if (said) return `${kinds} of ${said.join(" or ")}`;
  if (!within) return kinds;
  const { least, most, longest, ratio } = within;
  const sides = longest ? `at least ${longest} × ${least} pixels` : `${least} to ${most} pixels a side`;
  return `${kinds} of ${sides}, at most ${ratio} : 1`;
}
