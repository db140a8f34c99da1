import { readInside } from "../../ground/files/reading/folder.ts";
import { lookAt } from "../../ground/files/writing/door.ts";
import { refuse } from "../../ground/problems/result.ts";
import { parseYaml } from "../documents/document.ts";
import { validate } from "../documents/validate.ts";
import { textOf } from "../history/kept-file.ts";
import { type Testers, testersSchema } from "./schema/testers.ts";

/** Where an agency keeps who tries its apps, within the workspace. */
export const testersFile = "testers.yaml";

/** Who tries the agency's apps; undefined where nobody has said it. Stops: yaml-syntax, value-invalid, tester-twice */
export function readTesters(root: string): Testers | undefined {
  if (!lookAt(root, testersFile)) return undefined;
  const text = textOf(readInside(root, testersFile, testersFile), testersFile);
  const document = parseYaml({ file: testersFile, text });
  const read = validate(document, testersSchema);
  const first = new Map<string, number>();
  for (const [at, { address }] of read.testers.entries()) {
    const folded = address.toLowerCase();
    if (first.has(folded))
      refuse("tester-twice", `${address} stands there twice.`, { place: document.placeOf(["testers", at, "address"]) });
    first.set(folded, at);
  }
  return read;
}
