import { relative, resolve } from "node:path";
import { leadsDown } from "../files/writing/door.ts";
import { replaceFile } from "../files/writing/together.ts";
import { writeWhole } from "../files/writing/whole.ts";
import { makeProof, type Proof } from "../proof/proof.ts";
import { operation } from "./operation.ts";
import { type At, type OfClients, openWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  /** Where the page goes, from the workspace. */
  output: string;
}

/** Writes the page to look at and sign off. */
export const writeProof = operation(async (input: Input, ports): Promise<Proof & { file: string }> => {
  const workspace = await openWorkspace(input, ports);
  const proof = await makeProof(workspace, input.clients);
  const file = resolve(workspace.root, input.output);
  const inside = relative(workspace.root, file).replaceAll("\\", "/");
  if (leadsDown(inside)) replaceFile(workspace.root, inside, proof.html);
  else writeWhole(file, proof.html);
  return { ...proof, file };
});
