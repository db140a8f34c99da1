import type { PageLanguage } from "../ground/values/page-language.ts";
import { makeProof, type Proof } from "../showing/proof/proof.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Where the page goes; a file of its own for each choice of clients and stage where absent. */
  output?: string | undefined;
  /** The page's language; the only client's, or the agency's, where absent. */
  language?: PageLanguage | undefined;
}

/** So that the page of one client, or of a stage, does not stand in the place of everybody's. */
function usualFile({ clients, group, state, stage }: Input): string {
  const [only, ...more] = clients;
  const filtered = [...more, ...(group === undefined ? [] : [group]), ...(state === undefined ? [] : [state])];
  const whose =
    only === undefined && filtered.length === 0 ? "" : `-${[...(only ? [only] : []), ...filtered].join("-")}`;
  const name = `proof${whose.replace(/[^\p{L}\p{N}-]+/gu, "_").slice(0, 100)}`;
  return `variants/${name}${stage === undefined ? "" : `.${stage}`}.html`;
}

/** Writes the page to look at and sign off. */
export const writeProof = operation(async (input: Input, ports): Promise<Proof & { file: string }> => {
  const workspace = await openWorkspace(input, ports);
  const proof = await makeProof(workspace, await chooseClients(workspace, input), input.language, ports.today());
  const place = { named: input.output, usual: usualFile(input) };
  return { ...proof, file: writeOutput(workspace.root, ports, place, proof.html) };
});
