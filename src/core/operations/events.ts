import { happeningsOf, inOrder } from "../agency/history/happenings.ts";
import type { Workspace } from "../agency/workspace/workspace.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { stampOf } from "../ground/interfaces/message.ts";
import { ofClient, type Problem, problem } from "../ground/problems/problem.ts";
import { attempt, refuse } from "../ground/problems/result.ts";
import { isDay } from "../ground/values/day.ts";
import { sha256 } from "../ground/values/hash.ts";
import type { StoreKey } from "../ground/values/store.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { wordsInFirst } from "../pages/words/own.ts";
import { digestOf } from "../showing/news/digest.tsx";
import { newsFeed } from "../showing/news/feed.ts";
import { type NewsItem, newsId } from "../showing/news/news.ts";
import { chooseClients, type OfClients } from "./running/chosen.ts";
import { lookIntoStores } from "./running/looking.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import type { Ports } from "./running/ports.ts";
import { messageId, senderOf } from "./running/sender.ts";
import { keepTold, untold } from "./running/told.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  /** Only these; none for all. */
  stores: readonly StoreKey[];
  /** Only what has happened on that day, or later. */
  since?: string | undefined;
  /** Ask the stores first what is new. */
  look: boolean;
  /** Also write a feed into this file. */
  feed?: string | undefined;
  /** Send what nobody was told of to this address, by mail. */
  mail?: string | undefined;
  /** Send it to this address over HTTP, each by itself. */
  hook?: string | undefined;
}

export interface News {
  items: readonly NewsItem[];
  /** Files that were written, and to whom how many were told. */
  feed?: string;
  mailed?: number;
  hooked?: number;
  problems: readonly Problem[];
}

/** What has happened to clients' apps in stores, the oldest first; told on, if somebody asks for that. */
export const showEvents = operation(async (input: Input, ports): Promise<News> => {
  if (input.since !== undefined && !isDay(input.since))
    refuse("value-invalid", `"${input.since}" is no day.`, { expected: "such as 2026-03-01" });
  const workspace = await openWorkspace(input, ports);
  const { all, picked } = await resolvePicked(workspace, await chooseClients(workspace, input));
  const looked = input.look ? await lookIntoStores(workspace, { all, picked }, input.stores, ports) : undefined;
  const read = picked.map((view) => newsOf(workspace, view, input));
  const items = inOrder(read.flatMap((each) => each.items)) as NewsItem[];
  const told = await tellOn(workspace, items, input, ports);
  return {
    ...{ items, ...told },
    problems: [...(looked?.problems ?? []), ...read.flatMap(({ problems }) => problems), ...told.problems],
  };
});

function newsOf(
  { root }: Workspace,
  { client, values }: Resolved,
  { stores, since = "" }: Pick<Input, "stores" | "since">,
): { items: NewsItem[]; problems: readonly Problem[] } {
  const read = attempt(() => happeningsOf.read(root, client.key) ?? []);
  if (!read.ok) return { items: [], problems: ofClient(client.key, read.problems) };
  const name = values["app.name"]?.value ?? client.key;
  const items = read.value
    .filter(({ store, at }) => (stores.length === 0 || stores.includes(store)) && at >= since)
    .map((each) => ({ ...each, client: client.key, name }));
  return { items, problems: [] };
}

/** Tells news on, by every way that is asked for. */
async function tellOn(
  workspace: Workspace,
  items: readonly NewsItem[],
  { feed, mail, hook }: Input,
  ports: Ports,
): Promise<Pick<News, "feed" | "mailed" | "hooked" | "problems">> {
  const { agency } = workspace.agency.data;
  const words = wordsInFirst(workspace.root, [agency.language]);
  const file =
    feed === undefined
      ? undefined
      : writeOutput(workspace.root, ports, { named: feed }, newsFeed(agency.name, items, words));
  const mailed = mail === undefined ? undefined : await mailTo(mail, workspace, items, ports);
  const hooked = hook === undefined ? undefined : await sendTo(hook, workspace.root, items, ports);
  return {
    ...(file === undefined ? {} : { feed: file }),
    ...(mailed ? { mailed: mailed.count } : {}),
    ...(hooked ? { hooked: hooked.count } : {}),
    problems: [...(mailed?.problems ?? []), ...(hooked?.problems ?? [])],
  };
}

interface ToldOn {
  count: number;
  problems: readonly Problem[];
}

async function mailTo(to: string, workspace: Workspace, items: readonly NewsItem[], ports: Ports): Promise<ToldOn> {
  const { agency } = workspace.agency.data;
  const fresh = untold(workspace.root, "mail", items);
  if (fresh.length === 0) return { count: 0, problems: [] };
  const sender = attempt(() => senderOf(workspace, ports));
  if (!sender.ok) return { count: 0, problems: sender.problems };
  const { server, from } = sender.value;
  const words = wordsInFirst(workspace.root, [agency.language]);
  const letter = digestOf({ agency: agency.name, accent: accentOf(workspace).accent, words, items: fresh });
  const id = messageId(sha256(fresh.map(newsId).join("\n")), from);
  const delivery = await ports.sendMail(server, { ...letter, id, from, to, attachments: [] });
  // What may have arrived is not sent again: it would be the same letter.
  if (delivery.state === "taken" || delivery.state === "unsure") keepTold(workspace.root, "mail", fresh);
  return {
    count: delivery.state === "taken" ? fresh.length : 0,
    problems: "problem" in delivery ? [delivery.problem] : [],
  };
}

/** How long an address may take for one message, in milliseconds. */
const patience = 10_000;

async function sendTo(address: string, root: string, items: readonly NewsItem[], ports: Ports): Promise<ToldOn> {
  const secret = ports.secret("OXALIS_HOOK_SECRET");
  if (!secret)
    return { count: 0, problems: [problem("variable-unset", "OXALIS_HOOK_SECRET is not set: it signs what is sent.")] };
  if (!/^https?:\/\//.test(address) || !URL.canParse(address))
    return { count: 0, problems: [problem("value-invalid", `"${address}" is no address.`, { expected: "https://…" })] };
  let count = 0;
  for (const item of untold(root, "hook", items)) {
    const body = JSON.stringify(item);
    const headers = {
      "content-type": "application/json",
      ...stampOf(secret, newsId(item).replaceAll(" ", "-"), Math.floor(ports.now() / 1000), body),
    };
    const why = await sentTo(
      new Request(address, { method: "POST", body, headers, redirect: "error", signal: AbortSignal.timeout(patience) }),
      ports,
    );
    // The order stays: what comes after it waits too.
    if (why !== undefined)
      return {
        count,
        problems: [
          problem("telling-failed", `${address} ${why}.`, {
            severity: "warning",
            fix: "Call again: what was not taken is sent then.",
          }),
        ],
      };
    keepTold(root, "hook", [item]);
    count++;
  }
  return { count, problems: [] };
}

async function sentTo(request: Request, ports: Ports): Promise<string | undefined> {
  try {
    const answer = await ports.fetch(request);
    await answer.body?.cancel();
    return answer.ok ? undefined : `answers with ${answer.status}`;
  } catch {
    return "does not answer";
  }
}
