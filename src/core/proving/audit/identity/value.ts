import type { Folder } from "../../../ground/files/reading/folder.ts";

/** A value in a file, and what leads to it: keys and positions, elements and attributes, joined by full stops. */
export interface Keyed {
  key: string;
  value: string;
  /** Offset of the value. */
  at: number;
}

/** What is asked of the folder that a file lies in. */
export type Texts = Pick<Folder, "bytes" | "source">;
