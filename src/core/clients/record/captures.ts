import { extname, join } from "node:path";
import { imageSize } from "image-size";
import type { Client } from "../../agency/workspace/workspace.ts";
import { entriesOf, isFolder, readInside } from "../../ground/files/reading/folder.ts";
import { expectedAmong } from "../../ground/problems/nearest.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { StoreKey } from "../../ground/values/store.ts";
import { allStores, stores } from "../../stores/all.ts";
import type { CaptureDevice } from "../../stores/capture-row.ts";
import { isWhole } from "./whole-picture.ts";

/** A picture of the running app that a client or the agency supplied. */
export interface Capture {
  device: CaptureDevice;
  language: string;
  /** Relative to the workspace. */
  file: string;
  hash: string;
  /** Pixels; absent where it is no picture, or not all of one. */
  size?: { width: number; height: number };
}

/** Every class of devices. */
export const devices = [...new Set(allStores.flatMap(({ captures }) => captures.map(({ device }) => device)))];

/** So many pictures of a device and a language are looked at: five times what the most generous store takes. */
const mostLookedAt = 50;

/** Largest picture that is read, in bytes. */
const largest = 32 * 1024 * 1024;

/** Where a client's pictures of a device lie, within its folder. */
export const captureFolder = (device: string, language = "<language>"): string => `captures/${device}/${language}`;

/** Reads a client's pictures of the running app, in the order of their names. */
export function readCaptures(client: Client): { captures: Capture[]; problems: Problem[] } {
  const found = [...inDevices(client), ...inFormerFolders(client)];
  return { captures: found.flatMap(({ captures }) => captures), problems: found.flatMap(({ problems }) => problems) };
}

interface FoundCaptures {
  captures: readonly Capture[];
  problems: readonly Problem[];
}

function inDevices(client: Client): FoundCaptures[] {
  return foldersIn(client, "captures").flatMap((name): FoundCaptures[] => {
    const device = devices.find((each) => each === name);
    if (device) {
      const languages = foldersIn(client, `captures/${device}`);
      return languages.map((language) => readFolder(client, captureFolder(device, language), { device, language }));
    }
    const message = `clients/${client.key}/captures/${name} is no class of devices.`;
    const expected = expectedAmong(name, devices, "a class of devices");
    return [{ captures: [], problems: [problem("capture-invalid", message, { expected, severity: "warning" })] }];
  });
}

/** In the form from before: below the texts, a folder a language. */
function inFormerFolders(client: Client): FoundCaptures[] {
  return foldersIn(client, "store").flatMap((language) =>
    devices.flatMap((device): FoundCaptures[] => {
      const folder = `store/${language}/captures/${device}`;
      if (!isFolder(join(client.folder, folder))) return [];
      const { captures, problems } = readFolder(client, folder, { device, language });
      const expected = `clients/${client.key}/${captureFolder(device, language)}/`;
      const message = `clients/${client.key}/${folder}/ is the place from before.`;
      return [
        { captures, problems: [...problems, problem("form-former", message, { severity: "warning", expected })] },
      ];
    }),
  );
}

/** Folders within one of a client's. */
export const foldersIn = (client: Client, folder: string): string[] =>
  entriesOf(join(client.folder, folder), folder)
    .filter((each) => each.isFolder)
    .map(({ name }) => name);

function readFolder(client: Client, folder: string, of: Pick<Capture, "device" | "language">): FoundCaptures {
  const names = entriesOf(join(client.folder, folder), folder)
    .filter(({ isFolder, name }) => !isFolder && /\.(png|jpe?g)$/i.test(name))
    .map(({ name }) => name);
  const read = names.slice(0, mostLookedAt).map((name) => readCapture(client, `${folder}/${name}`, of));
  const more = names.length - mostLookedAt;
  const shown = `clients/${client.key}/${folder}/`;
  const message = `${shown} holds ${names.length} pictures; the last ${more} are not looked at.`;
  return {
    captures: read.flatMap(({ captures }) => captures),
    problems: [...read.flatMap(({ problems }) => problems), ...(more > 0 ? [problem("capture-invalid", message)] : [])],
  };
}

function readCapture(client: Client, path: string, of: Pick<Capture, "device" | "language">): FoundCaptures {
  const file = `clients/${client.key}/${path}`;
  const read = attempt(() => readInside(client.folder, path, file));
  if (!read.ok) return { captures: [], problems: read.problems };
  if (read.value.length > largest) {
    const message = `${file} has ${read.value.length} bytes; the limit is ${largest}.`;
    return { captures: [], problems: [problem("file-too-large", message)] };
  }
  const size = sizeOf(read.value);
  return { captures: [{ ...of, file, hash: sha256(read.value), ...(size ? { size } : {}) }], problems: [] };
}

/** Width and height in pixels; undefined of what is no picture, or not all of one. */
function sizeOf(bytes: Uint8Array): Capture["size"] {
  try {
    const { width, height } = imageSize(bytes);
    return width > 0 && height > 0 && isWhole(bytes, width * height) ? { width, height } : undefined;
  } catch {
    return undefined;
  }
}

/** A store's pictures of the running app as they lie in a variant: under the client's own names, in order. */
export function captureFiles(storeKeys: readonly StoreKey[], captures: readonly Capture[]) {
  return storeKeys
    .flatMap((store) => stores[store].captures.map(({ device }) => ({ store, device })))
    .flatMap(({ store, device }) => {
      const taken = new Set<string>();
      return captures
        .filter((each) => each.device === device && each.size)
        .map(({ file, hash, language }) => {
          const name = nameWithin(taken, `${device}-${plainName(file)}`, `.${language}${endingOf(file)}`);
          return { store, device, language, to: `store/${store}/${name}`, from: file, hash };
        });
    });
}

const endingOf = (file: string): string => extname(file).toLowerCase().replace(".jpeg", ".jpg");

/** A file's name without its ending, of letters, digits and hyphens alone: it goes to every kind of disk. */
const plainName = (file: string): string =>
  (file.split("/").at(-1) ?? "")
    .replace(/\.[^.]*$/, "")
    .normalize("NFC")
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 60);

/** A name that no other has, whatever the case of its letters. */
function nameWithin(taken: Set<string>, stem: string, ending: string): string {
  let name = stem + ending;
  for (let number = 2; taken.has(name.toLowerCase()); number++) name = `${stem}-${number}${ending}`;
  taken.add(name.toLowerCase());
  return name;
}
