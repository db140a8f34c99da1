import { happeningsOf, type KeptHappening } from "../agency/history/happenings.ts";
import type { Variant } from "../app/variant/variant.ts";
import { passageOf } from "../clients/passage/passage.ts";
import { expectedAmong } from "../ground/problems/nearest.ts";
import { refuse } from "../ground/problems/result.ts";
import { isDay } from "../ground/values/day.ts";
import type { StoreDefinition } from "../stores/definition.ts";
import { type Happening, type HappeningKind, happeningKinds } from "../stores/happening.ts";
import type { OfClients } from "./running/chosen.ts";
import { identifiersOf, noteHappenings } from "./running/happened.ts";
import { type Into, intoStores } from "./running/into.ts";
import { operation } from "./running/operation.ts";
import { noted, type Ports } from "./running/ports.ts";
import { seenChanges } from "./running/seen.ts";
import type { At } from "./running/workspace.ts";

interface Input extends At, OfClients, Into {
  /** A step of the store's, or what the store has said. */
  done: string;
  /** What the store says or asks; a rule stands in front of a colon. */
  because?: string | undefined;
  /** Percent. */
  share?: string | undefined;
  /** The day, where that was not today. */
  on?: string | undefined;
  /** What the store calls the app, of a record that was created. */
  app?: string | undefined;
}

/** What somebody has noted. */
export interface NotedByHand {
  client: string;
  store: StoreDefinition["key"];
  happening: KeptHappening;
}

/** Notes that a step was done by hand in a store's pages, or what the store has said. */
export const noteDone = operation(async (input: Input, ports): Promise<NotedByHand[]> => {
  const { workspace, into } = await intoStores(input, ports);
  const all: NotedByHand[] = [];
  for (const { view, store, wanted } of into) {
    const { key: client } = view.client;
    const before = happeningsOf.read(workspace.root, client) ?? [];
    const made = { version: view.variant.values.version?.value, build: numberOf(view.variant) };
    const happening = happeningOf(store, input, { made: wanted.wants.build ?? made, before }, ports);
    const identifiers = identifiersOf(view.variant);
    const { kind, build } = happening;
    const beside = () => (kind === "build-sent" && build !== undefined ? seenChanges(workspace, view, build) : []);
    await noteHappenings({ root: workspace.root, client, happenings: [happening], identifiers, beside });
    all.push({ client, store: store.key, happening });
  }
  if (all.length === 0) refuse("submission-unclear", "No such client wants such a store.");
  return all;
});

function happeningOf(
  store: StoreDefinition,
  { done, because, share, on, app }: Input,
  { made, before }: { made: MadeVersion; before: readonly KeptHappening[] },
  ports: Ports,
): KeptHappening {
  const { byHand } = store.conduct;
  const step = byHand.find(({ name }) => name === done);
  const kind = step?.done ?? happeningKinds.find((each) => each === done);
  if (!kind) {
    const names = [...byHand.map(({ name }) => name), "refused", "asked", "withdrawn", "paused", "build-refused"];
    refuse("submission-unclear", `${store.title} has no step "${done}".`, {
      expected: expectedAmong(done, names, "a step of its sheet: `oxalis submit --sheet`"),
    });
  }
  if (wantsReason.includes(kind) && because === undefined)
    refuse("submission-unclear", "It is not said what the store says.", { expected: "--because <text>" });
  const day = on ?? ports.today();
  if (!isDay(day) || day > ports.today())
    refuse("value-invalid", `"${day}" is no day so far.`, { expected: "such as 2026-03-01" });
  const { coming, build } = passageOf(store.key, before);
  // What is sent is the last build; what is said later is of the version that was sent.
  const isOfBuild = /^(?:build|testing)-|^attached$/.test(kind);
  const sent = { version: coming?.version || made.version, build: coming?.build ?? build?.build ?? made.build };
  const stem = `hand-${day}-${done}`;
  const own = before.filter(({ store: of, id }) => of === store.key && id.startsWith(stem)).length;
  return {
    store: store.key,
    id: own === 0 ? stem : `${stem}-${own + 1}`,
    kind,
    at: timeOn(day, before, ports),
    ...noted(ports),
    ...(kind === "created" || kind === "told" ? {} : namedBuild(isOfBuild ? made : sent)),
    ...shareOf(kind, share),
    ...saidOf(kind, step?.name, because),
    ...(app === undefined ? {} : { app }),
  };
}

/** A version and number that were made, as far as is known. */
interface MadeVersion {
  version?: string | undefined;
  build?: number | undefined;
}

const numberOf = ({ values }: Variant): number | undefined => Number(values.build?.value) || undefined;

const namedBuild = ({ version, build }: MadeVersion): Pick<Happening, "version" | "build"> => ({
  ...(version === undefined ? {} : { version }),
  ...(build === undefined ? {} : { build }),
});

/** What is no use without the store's own words. */
const wantsReason: readonly HappeningKind[] = ["refused", "asked", "build-refused", "testing-refused"];

/** Steps of one day stand in the order in which they were noted. */
function timeOn(day: string, before: readonly KeptHappening[], ports: Ports): string {
  const now = new Date(ports.now()).toISOString();
  const at = now.startsWith(day) ? now : `${day}T12:00:00.000Z`;
  const last = before.filter((each) => each.at.startsWith(day)).at(-1)?.at;
  return last !== undefined && last >= at ? new Date(Date.parse(last) + 1).toISOString() : at;
}

function shareOf(kind: HappeningKind, said: string | undefined): { share?: number } {
  if (kind !== "out" && kind !== "paused") return {};
  const share = Number((said ?? "100").replace(/\s*%$/, ""));
  return share > 0 && share <= 100
    ? { share }
    : refuse("value-invalid", `"${said}" is no share.`, { expected: "percent, such as 20" });
}

/** A rule stands in front of the first colon, where that is short. */
function saidOf(
  kind: HappeningKind,
  step: string | undefined,
  because: string | undefined,
): Pick<Happening, "says" | "rule"> {
  if (kind === "told") return { says: step ?? because ?? "" };
  if (because === undefined) return {};
  const [, rule, says] = because.match(/^([^:]{1,40}):\s+(.+)$/s) ?? [];
  return rule !== undefined && says !== undefined ? { rule, says } : { says: because };
}
