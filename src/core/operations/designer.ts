import { join } from "node:path";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { stop, unwrap } from "../ground/problems/result.ts";
import { daysAfter, isDay } from "../ground/values/day.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { wordsInFirst } from "../pages/words/own.ts";
import { drawnToLookAt } from "../pictures/artwork/shown.ts";
import { checkResolved } from "../proving/check/check.ts";
import { type ClientAsked, type PictureAsked, picturesAsked } from "../showing/designer/asked.ts";
import { designerPage, shownSide } from "../showing/designer/page.tsx";
import { designerText } from "../showing/designer/text.ts";
import { wordsThere } from "../showing/letters/draft.ts";
import { untilProblem, usualDays } from "../showing/letters/letter.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  into?: string | undefined;
  until?: string | undefined;
  /** Of the letter; otherwise the agency's. */
  language?: string | undefined;
  dryRun: boolean;
}

export interface DesignerAsked {
  clients: readonly ClientAsked[];
  text: string;
  /** None of a dry run, and none where there is nothing to ask for. */
  files: readonly string[];
}

/** Writes one letter to whoever draws: all clients' pictures that are not right, beside what is wrong with each. */
export const askDesigner = operation(async (input: Input, ports): Promise<DesignerAsked> => {
  const { until = daysAfter(ports.today(), usualDays) } = input;
  if (!isDay(until)) stop([untilProblem(until)]);
  const workspace = await openWorkspace(input, ports);
  const { name: agency, language: spoken } = workspace.agency.data.agency;
  const { language, say } =
    input.language === undefined
      ? wordsInFirst(workspace.root, [spoken, workspace.agency.data.defaults.locale])
      : unwrap(wordsThere(workspace.root, input.language));
  const resolved = await resolvePicked(workspace, await chooseClients(workspace, input));
  const { clients: views } = await checkResolved(workspace, resolved);
  const clients = views.map((view) => picturesAsked(view, say)).filter(({ pictures }) => pictures.length > 0);
  const letter = { agency, language, until, clients };
  const text = designerText(letter, say);
  if (input.dryRun || clients.length === 0) return { clients, text, files: [] };
  const drawn = await drawAll(workspace, clients);
  const html = designerPage({ letter, accent: accentOf(workspace).accent, say, drawn });
  const files = Object.entries({ "designer.txt": text, "designer.html": html }).map(([name, content]) => {
    const named = input.into === undefined ? undefined : join(input.into, name);
    return writeOutput(workspace.root, ports, { named, usual: `letters/${name}` }, content);
  });
  return { clients, text, files };
});

/** At twice its size on the page, for screens that are that fine. */
async function drawAll({ root }: Workspace, clients: readonly ClientAsked[]): Promise<Map<PictureAsked, Buffer>> {
  const drawn = new Map<PictureAsked, Buffer>();
  for (const each of clients.flatMap(({ pictures }) => pictures))
    if (each.art) drawn.set(each, await drawnToLookAt(root, each.art, each.ground, shownSide * 2));
  return drawn;
}
