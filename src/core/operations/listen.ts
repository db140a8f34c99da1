import type { Workspace } from "../agency/workspace/workspace.ts";
import type { Resolved } from "../app/variant/variant.ts";
import { resolveAll } from "../clients/derive/resolve.ts";
import { keepSummed, readSummed } from "../ground/files/writing/summed.ts";
import { faultOfMessage, type Stamp } from "../ground/interfaces/message.ts";
import type { Problem } from "../ground/problems/problem.ts";
import { attemptAsync, refuse } from "../ground/problems/result.ts";
import type { Secret } from "../ground/values/secret.ts";
import { type StoreKey, storeKeys } from "../ground/values/store.ts";
import type { NewsItem } from "../showing/news/news.ts";
import { stores } from "../stores/all.ts";
import { openDoors } from "./running/doors.ts";
import { lookIntoStores } from "./running/looking.ts";
import { operation } from "./running/operation.ts";
import type { Ports } from "./running/ports.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  /** The address under which stores reach it; they are told, where it is given. */
  knownAs?: string | undefined;
}

/** What becomes of a message. */
export interface Heard {
  status: 200 | 400 | 401;
  /** What is wrong with it, where something is. */
  wrong?: string;
  /** What is new by it: what the store itself says, and not the message. */
  items: readonly NewsItem[];
  problems: readonly Problem[];
}

/** Hears messages of stores. */
export interface Listener {
  hear(stamp: Partial<Stamp>, body: string): Promise<Heard>;
  /** Stores that were told the address. */
  told: readonly StoreKey[];
}

/** Messages that were heard: one that comes again says nothing new. */
const heardFile = ".oxalis/heard.json";
const mostKept = 5000;

/**
 * Opens an ear for stores' messages. Each has to be signed by OXALIS_HOOK_SECRET, just now; what it says is only taken
 * for a reason to ask the store itself. Stops: variable-unset
 */
export const openListener = operation(async (input: Input, ports): Promise<Listener> => {
  const workspace = await openWorkspace(input, ports);
  const secret = ports.secret("OXALIS_HOOK_SECRET");
  if (!secret) return refuse("variable-unset", "OXALIS_HOOK_SECRET is not set: it is what messages are signed by.");
  const told = input.knownAs === undefined ? [] : await tellStores(workspace, input.knownAs, secret, ports);
  return { told, hear: (stamp, body) => hear(workspace, secret, { stamp, body }, ports) };
});

/** Tells each store whose interface is named where its messages go. */
async function tellStores(workspace: Workspace, address: string, secret: Secret, ports: Ports): Promise<StoreKey[]> {
  const all = await resolveAll(workspace);
  const doors = openDoors(workspace, all, ports);
  const told: StoreKey[] = [];
  for (const store of storeKeys.filter(doors.has)) {
    const [first] = all;
    if (!first) continue;
    await (await doors.of(first, store)).sendMessagesTo(address, secret);
    told.push(store);
  }
  return told;
}

async function hear(
  workspace: Workspace,
  secret: Secret,
  { stamp, body }: { stamp: Partial<Stamp>; body: string },
  ports: Ports,
): Promise<Heard> {
  const nothing = { items: [], problems: [] };
  const fault = faultOfMessage(secret, stamp, body, Math.floor(ports.now() / 1000));
  if (fault !== undefined) return { status: 401, wrong: fault, ...nothing };
  const about = aboutIn(body);
  if (!about) return { status: 400, wrong: "it says of no app in no store what has happened", ...nothing };
  const id = stamp["message-id"] ?? "";
  const heard = (readSummed(workspace.root, heardFile) as { ids: string[] } | undefined)?.ids ?? [];
  if (heard.includes(id)) return { status: 200, ...nothing };
  const looked = await attemptAsync(() => lookFor(workspace, about, ports));
  if (!looked.ok) return { status: 200, items: [], problems: looked.problems };
  keepSummed(workspace.root, heardFile, { ids: [...heard, id].slice(-mostKept) });
  return { status: 200, ...looked.value };
}

interface About {
  store: StoreKey;
  identifier: string;
}

function aboutIn(body: string): About | undefined {
  try {
    const { store, identifier } = JSON.parse(body) as Record<string, unknown>;
    const known = storeKeys.find((each) => each === store);
    return known && typeof identifier === "string" ? { store: known, identifier } : undefined;
  } catch {
    return undefined;
  }
}

/** Asks the store what is new of the app that a message is about. */
async function lookFor(
  workspace: Workspace,
  { store, identifier }: About,
  ports: Ports,
): Promise<{ items: NewsItem[]; problems: readonly Problem[] }> {
  const all = await resolveAll(workspace);
  const isMeant = ({ values }: Resolved) =>
    stores[store].takes.some((platform) => values[`identifiers.${platform}`]?.value === identifier);
  const picked = all.filter(isMeant);
  const names = new Map(picked.map(({ client, values }) => [client.key, values["app.name"]?.value ?? client.key]));
  const { fresh, problems } = await lookIntoStores(workspace, { all, picked }, [store], ports);
  const items = fresh.map((each) => ({ ...each, name: names.get(each.client) ?? each.client }));
  return { items, problems };
}
