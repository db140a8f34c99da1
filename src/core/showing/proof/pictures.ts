import { sha256 } from "../../ground/values/hash.ts";
import type { Sheet } from "../../pages/parts/sheet.ts";
import { masked } from "./model.ts";

/** A picture as it lies in a variant: its file's ending, with the point, and its bytes. */
export interface Picture {
  kind: string;
  bytes: Uint8Array;
}

/** Bytes of pictures beyond which they lie beside the page: as text within it they take a third more. */
const mostInside = 2_900_000;

const mediaTypes: Readonly<Record<string, string>> = {
  ".png": "image/png",
  ".svg": "image/svg+xml",
  ".ico": "image/x-icon",
};

/**
 * Gives each picture its address: within the page, or, of a large page, in a folder beside it, where a browser fetches
 * what comes into view. @param folder its name; absent where all has to stand in the page
 */
export function placePictures(
  sheets: readonly (Omit<Sheet, "pictures"> & { pictures: ReadonlyMap<string, Picture> })[],
  folder: string | undefined,
): { sheets: Sheet[]; beside: Map<string, Uint8Array> } {
  const all = sheets.flatMap(({ pictures }) => [...pictures.values()]);
  const isLarge = all.reduce((sum, { bytes }) => sum + bytes.length, 0) > mostInside;
  const beside = new Map<string, Uint8Array>();
  const place = (name: string, { kind, bytes }: Picture): string => {
    // A mask is taken from within the page alone: of a page on a disk, each file is another origin.
    if (folder === undefined || !isLarge || name === masked)
      return `data:${mediaTypes[kind] ?? "image/png"};base64,${Buffer.from(bytes).toString("base64")}`;
    const file = `${sha256(bytes).slice(0, 16)}${kind}`;
    beside.set(file, bytes);
    return `${encodeURIComponent(folder)}/${file}`;
  };
  return {
    sheets: sheets.map((sheet) => ({
      ...sheet,
      pictures: new Map([...sheet.pictures].map(([name, picture]) => [name, place(name, picture)])),
    })),
    beside,
  };
}
