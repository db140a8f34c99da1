import { type Contents, getAll, putLacking } from "../../ground/contents/contents.ts";
import { pathOfSum } from "../../ground/contents/folder.ts";
import { decodeText } from "../../ground/files/reading/encoding.ts";
import { type Folder, readInside } from "../../ground/files/reading/folder.ts";
import type { Writer } from "../../ground/files/writing/writer.ts";
import { refuse } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { Input, Plan } from "../plan/plan.ts";

/** Where a plan's inputs come from: the workspace that planned it, or a store that holds them by content. */
export interface Inputs {
  bytes(input: Input): Uint8Array;
  text(input: Input): string;
  /** Puts a file where it goes as it is. */
  copy(input: Input, writer: Writer, path: string, executable: boolean): void;
}

/** The files of a workspace and its template. */
export const workspaceInputs = (root: string, template: Folder): Inputs => ({
  bytes: ({ of, path }) => (of === "template" ? template.bytes(path) : readInside(root, path, path)),
  text: ({ path }) => template.source(path).text,
  copy: ({ path: from }, writer, path, executable) =>
    writer.copy(path, template.real(from), executable, template.small(from)),
});

/** Files by their sums, in a folder of contents. A file without the sum that it is named by is refused. */
export function storedInputs(root: string): Inputs {
  const bytes = ({ sha256: sum, path }: Input): Uint8Array => {
    const stored = readInside(root, pathOfSum(sum), path);
    if (sha256(stored) !== sum) refuse("plan-damaged", `${path} in the store is not what was planned with.`);
    return stored;
  };
  return {
    bytes,
    text: (input) => decodeText(bytes(input)) ?? "",
    copy: (input, writer, path, executable) => writer.copy(path, "", executable, bytes(input)),
  };
}

/** Puts into contents what of these inputs is not there. */
export const storeInputs = (wanted: readonly Input[], inputs: Inputs, contents: Contents): Promise<void> =>
  putLacking(contents, new Map(wanted.map((input) => [input.sha256, () => inputs.bytes(input)])));

/** Has inputs nearby, for whoever wants them at once. */
export async function fetchInputs(wanted: readonly Input[], contents: Contents): Promise<void> {
  await getAll(contents, [...new Set(wanted.map(({ sha256: sum }) => sum))]);
}

/** All that a plan is made from, each once. */
export const inputsOf = ({ entries }: Plan): Input[] => {
  const all = entries.flatMap((entry): Input[] => {
    if (entry.kind === "draw")
      return entry.drawings.flatMap(({ picture, tile }) =>
        [picture?.art, tile?.art].flatMap((art) => (art ? [artInput(art)] : [])),
      );
    return "input" in entry ? [entry.input] : [];
  });
  return [...new Map(all.map((input) => [input.sha256, input])).values()];
};

/** A client's picture as an input. */
export const artInput = ({ file, hash }: { file: string; hash: string }): Input => ({
  of: "client",
  path: file,
  sha256: hash,
});
