import pLimit from "p-limit";
import type { Template } from "../../app/survey/template.ts";
import { receiptFile } from "../../app/variant/receipt-file.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Receipt } from "../../making/jobs/receipt.ts";
import type { OthersSearch } from "./others.ts";
import type { PictureSearch } from "./pictures.ts";
import type { SearchFound, TextSearch } from "./search/search.ts";

/** What every file of every variant is searched with. */
export interface FileSearches {
  pictures: PictureSearch;
  others: OthersSearch;
  /** What is in a file of the template's own; what is not there is so for no client. */
  inTemplate(file: string): SearchFound;
}

/** A file of a variant, read, and whether it is the template's, unchanged. */
interface Read {
  path: string;
  bytes(): Uint8Array;
  hash: string;
  isKept: boolean;
}

/** Reads a variant. @param same files that were found to be the template's elsewhere */
export function readFiles({ folder: own }: Template, folder: Folder, same: ReadonlySet<string>): Read[] {
  return folder
    .list()
    .filter((file) => file !== receiptFile)
    .map((path) => {
      const isKept = same.has(path) || (own.has(path) && folder.holds(path, own.bytes(path)));
      const { bytes, hash } = isKept ? own : folder;
      return { path, bytes: () => bytes(path), isKept, hash: hash(path) };
    });
}

/** Pictures are decoded off this thread: so many files are looked into at a time. */
const atOnce = 4;

/** What is left of the template, or is another client's, in the files of a variant, in their order. */
export async function lookInto(
  files: readonly Read[],
  { pictures, others, inTemplate }: FileSearches,
  { client, at, receipt, search }: { client: string; at: string; receipt: Receipt; search: TextSearch },
): Promise<SearchFound> {
  const textsOf = ({ path, bytes, isKept }: Read, isDrawn: boolean): SearchFound => {
    const own = isKept ? inTemplate(path) : undefined;
    if (own?.residue.length === 0) return own;
    return isDrawn ? { residue: [], code: [] } : search.inFile(path, bytes(), `${at}/${path}`);
  };
  const limit = pLimit(atOnce);
  const looked = await limit.map(files, async (file) => {
    const { path, bytes, hash, isKept } = file;
    const shown = `${at}/${path}`;
    const made = receipt.files[path];
    const isDrawn = made?.kind === "draw" && made.sha256 === hash;
    const { residue, code } = textsOf(file, isDrawn);
    const isOfBrand = pictures.concerns(path, hash);
    const brand = isOfBrand ? await pictures.inFile({ path, bytes, hash, shown, isDrawn }) : [];
    // Also in what is the template's own: a client whose app became the template left its name there for all others.
    const searched = { client, path, hash, bytes, shown, isKept };
    const alike = isDrawn ? [] : await others.looks(searched);
    return { residue: [...residue, ...brand, ...others.inFile(searched), ...alike], code };
  });
  return { residue: looked.flatMap((each) => each.residue), code: looked.flatMap((each) => each.code) };
}
