import { extname, join } from "node:path";
import { imageSize } from "image-size";
import { entriesOf, isFolder, readInside } from "../files/reading/folder.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { attempt } from "../problems/result.ts";
import { type CaptureRow, captureRows } from "../stores/captures.ts";
import type { StoreDefinition } from "../stores/definition.ts";
import { sha256 } from "../values/hash.ts";
import type { StoreKey } from "../values/store.ts";
import type { Client } from "../workspace/workspace.ts";

/** A picture of the running app that a client or the agency supplied. */
export interface Capture {
  device: CaptureRow["device"];
  language: string;
  /** Relative to the workspace. */
  file: string;
  hash: string;
  /** Pixels; absent where it is no picture. */
  size?: { width: number; height: number };
}

/** Reads what lies in a client's folder, as store/<language>/captures/<device>/, in the order of its names. */
export function readCaptures(client: Client): Capture[] {
  const store = join(client.folder, "store");
  if (!isFolder(store)) return [];
  const devices = [...new Set(captureRows.map(({ device }) => device))];
  return entriesOf(store, "store")
    .filter((each) => each.isFolder)
    .flatMap(({ name: language }) =>
      devices.flatMap((device) => {
        const folder = `store/${language}/captures/${device}`;
        return entriesOf(join(client.folder, folder), folder)
          .filter(({ isFolder, name }) => !isFolder && /\.(png|jpe?g)$/i.test(name))
          .flatMap(({ name }) => readCapture(client, `${folder}/${name}`, device, language) ?? []);
      }),
    );
}

function readCapture(client: Client, path: string, device: Capture["device"], language: string): Capture | undefined {
  const file = `clients/${client.key}/${path}`;
  const read = attempt(() => readInside(client.folder, path, file));
  if (!read.ok) return undefined;
  const size = sizeOf(read.value);
  return { device, language, file, hash: sha256(read.value), ...(size ? { size } : {}) };
}

/** Width and height in pixels; undefined of what is no picture. */
function sizeOf(bytes: Uint8Array): Capture["size"] {
  try {
    const { width, height } = imageSize(bytes);
    return width > 0 && height > 0 ? { width, height } : undefined;
  } catch {
    return undefined;
  }
}

/** How many pictures of a class of devices there are in the main language, of those that a store wants. */
export interface CaptureStanding {
  device: CaptureRow["device"];
  title: string;
  need: CaptureRow["need"];
  count: number;
  least: number;
  most: number;
  isDone: boolean;
}

/** Holds the pictures of a running app against what a store takes. */
export function judgeCaptures(
  store: StoreDefinition,
  client: string,
  language: string,
  captures: readonly Capture[],
): { standings: CaptureStanding[]; problems: Problem[] } {
  const judged = captureRows
    .filter((row) => row.store === store.key)
    .map((row) => {
      const own = captures.filter((each) => each.device === row.device && each.language === language);
      const faults = captures
        .filter((each) => each.device === row.device)
        .flatMap((each) => {
          const fault = faultOf(each, row);
          if (fault === undefined) return [];
          const about = ["captures", row.device, each.file];
          return [problem("capture-invalid", `${each.file} ${fault}.`, { client, expected: takenBy(row), about })];
        });
      return { row, own, faults, missing: countProblem(row, own.length, client, store) };
    });
  return {
    standings: judged.map(({ row, own, faults, missing }) => ({
      device: row.device,
      title: row.title,
      need: row.need,
      count: own.length,
      least: row.least,
      most: row.most,
      isDone: faults.length === 0 && missing.length === 0,
    })),
    problems: judged.flatMap(({ faults, missing }) => [...missing, ...faults]),
  };
}

function countProblem(
  { title, need, least, most, device }: CaptureRow,
  count: number,
  client: string,
  store: StoreDefinition,
): Problem[] {
  const about = ["captures", device];
  if (count > most) {
    const message = `${store.title} takes ${most} of "${title}": there are ${count}.`;
    return [problem("capture-invalid", message, { client, about })];
  }
  if (count >= least) return [];
  const message = `${store.title} wants ${least} of "${title}": there are ${count}.`;
  const fix = `Put them into the client's folder, as store/<language>/captures/${device}/.`;
  const severity = need === "required" ? "error" : "note";
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
    height >= (within.leastHeight ?? 0);
  return isFitting ? undefined : is;
}

function takenBy({ sizes, isWide, within, formats }: CaptureRow): string {
  const kinds = formats.map((each) => (each === "jpg" ? "JPEG" : "PNG")).join(" or ");
  const said = sizes?.map((size) => (isWide ? size.toReversed() : size).join(" × "));
  if (said) return `${kinds} of ${said.join(" or ")}`;
  return within ? `${kinds} of ${within.least} to ${within.most} pixels a side, at most ${within.ratio} : 1` : kinds;
}

/** Pictures as they lie in a variant: in order, named by their numbers. */
export function captureFiles(stores: readonly StoreDefinition[], captures: readonly Capture[]) {
  const wanted = captureRows.filter(({ store }) => stores.some(({ key }) => key === store));
  return wanted.flatMap(({ store, device }) => {
    const languages = [...new Set(captures.map(({ language }) => language))];
    return languages.flatMap((language) =>
      captures
        .filter((each) => each.device === device && each.language === language && each.size)
        .map(({ file, hash }, at) => ({
          store: store satisfies StoreKey,
          to: `store/${store}/${language}/${device}/${String(at + 1).padStart(2, "0")}${endingOf(file)}`,
          from: file,
          hash,
        })),
    );
  });
}

const endingOf = (file: string): string => extname(file).toLowerCase().replace(".jpeg", ".jpg");
