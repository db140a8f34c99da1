import { basename, dirname, extname, join } from "node:path";
import type { PageLanguage } from "../ground/values/page-language.ts";
import { makeProof, type Proof } from "../showing/proof/proof.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { clearBeside, outputFile, writeBeside, writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Where the page goes; a file of its own for each choice of clients and stage where absent. */
  output?: string | undefined;
  /** The page's language; the only client's, or the agency's, where absent. */
  language?: PageLanguage | undefined;
  /** All pictures within the page, however large it gets: it can be sent. */
  oneFile?: boolean | undefined;
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

interface Written extends Pick<Proof, "html" | "shown" | "absent"> {
  /** The page. */
  file: string;
  /** The folder of its pictures, where they lie beside it. */
  pictures?: string;
}

/** Writes the page to look at and sign off. */
export const writeProof = operation(async (input: Input, ports): Promise<Written> => {
  const workspace = await openWorkspace(input, ports);
  const { root } = workspace;
  const place = { named: input.output, usual: usualFile(input) };
  const page = outputFile(root, ports, place);
  const pictures = join(dirname(page), `${basename(page, extname(page))}-pictures`);
  const { beside, ...proof } = await makeProof(workspace, {
    keys: await chooseClients(workspace, input),
    language: input.language,
    today: ports.today(),
    folder: input.oneFile ? undefined : basename(pictures),
  });
  writeBeside(root, ports, pictures, beside);
  const file = writeOutput(root, ports, place, proof.html);
  clearBeside(pictures, beside);
  return { ...proof, file, ...(beside.size > 0 ? { pictures } : {}) };
});
