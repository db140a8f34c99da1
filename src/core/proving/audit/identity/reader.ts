import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Source } from "../../../ground/values/source.ts";

/** A value in a file, and what leads to it: keys and positions, elements and attributes, joined by full stops. */
export interface Keyed {
  key: string;
  value: string;
  /** Offset of the value. */
  at: number;
}

/** What is asked of the folder that a file lies in. */
export type Texts = Pick<Folder, "bytes" | "source">;

/** Reads a file's values, each with what leads to it. */
export type Reader = (file: string, source: Source, template: Texts) => Keyed[];

/** A line that gives a name a text in quotes, or without: build scripts, project files, shell and CMake. */
export const quotedLine =
  /^[ \t]*(?:set\(\s*)?(?:"?)([A-Za-z_][\w.\-[\]*= ]*?)(?:"?)\s*(?:=|:|\(|\s|\sto\s)\s*["']([^"'\n]+)["']/gm;
export const plainLine = /^[ \t]*([A-Za-z_][\w[\]*=]*)\s*=\s*("(?:[^"\\\n]|\\.)*"|[^;"\n]+);/gm;

/** Values by a form that gives their name first and then what is said. */
export const lines =
  (form: RegExp): Reader =>
  (_, { text }) =>
    [...text.matchAll(form)].map((match) => {
      const value = (match[2] ?? "").replace(/^"(.*)"$/s, "$1");
      return { key: match[1] ?? "", value, at: match.index + match[0].lastIndexOf(value) };
    });
