import { resolve } from "node:path";
import { boardPage } from "../board/page.tsx";
import { resolvePicked } from "../derive/resolve.ts";
import { writeWhole } from "../files/writing/whole.ts";
import { accentOf } from "../page/accent.ts";
import { readAsked } from "../record/asked.ts";
import { type ClientStanding, standings } from "../record/board.ts";
import { openTemplate } from "../survey/template.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { chooseClients, type OfClients } from "./chosen.ts";
import { operation } from "./operation.ts";
import type { Ports } from "./ports.ts";
import { type At, openWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  /** Also write the board as a page into this file. */
  page?: string | undefined;
}

/** A client on the board: where it stands, and since when what is open has been asked for. */
export type OnBoard = ClientStanding & { asked?: string };

/** Where clients stand with every store that they want. */
export const lookAtBoard = operation(async (input: Input, ports): Promise<{ clients: OnBoard[]; page?: string }> => {
  const workspace = await openWorkspace(input, ports);
  const clients = await boardOf(workspace, await chooseClients(workspace, input), ports);
  if (input.page === undefined) return { clients };
  const file = resolve(ports.folder, input.page);
  writeWhole(file, boardPage({ agency: workspace.agency.data.agency.name, ...accentOf(workspace), clients }));
  return { clients, page: file };
});

export async function boardOf(workspace: Workspace, keys: readonly string[], ports: Ports): Promise<OnBoard[]> {
  const { all, picked } = await resolvePicked(workspace, keys);
  const parts = new Set(openTemplate(workspace).parts.map(({ platform }) => platform));
  return standings(workspace, all, picked, parts, ports.today()).map((each) => {
    const [first] = readAsked(workspace.root, each.client).map(({ on }) => on);
    return first === undefined ? each : { ...each, asked: first };
  });
}
