import { happeningsOf, type KeptHappening } from "../../agency/history/happenings.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { passageOf } from "../../clients/passage/passage.ts";
import { partInside, sizeInside } from "../../ground/files/reading/part.ts";
import type { Change } from "../../ground/files/writing/together.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attemptAsync, refuse, stop } from "../../ground/problems/result.ts";
import type { Act } from "../../making/submitting/act.ts";
import { isRefused, type Refused, type StoreDoor, type Tagged } from "../../making/submitting/door.ts";
import { perform } from "../../making/submitting/perform.ts";
import { nextAct, planSubmitting } from "../../making/submitting/plan.ts";
import type { StepName } from "../../making/submitting/step-names.ts";
import type { AskedOf, Step } from "../../making/submitting/steps/step.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { secretIn } from "./doors.ts";
import { identifiersOf, keptFrom, type Noted, noteHappenings } from "./happened.ts";
import type { Ports } from "./ports.ts";
import type { Wanted } from "./wanted.ts";

/** What has become of a client's app in a store. */
export interface Submitted {
  client: string;
  store: StoreDefinition["key"];
  /** How far each step is now. */
  steps: readonly Step[];
  /** What was done, in its order. */
  acts: readonly Act[];
  /** What has happened there since it was last looked at. */
  happened: readonly KeptHappening[];
  problems: readonly Problem[];
}

interface Submitting extends Wanted {
  workspace: Workspace;
  client: string;
  variant: Variant;
  store: StoreDefinition;
  door: () => Promise<StoreDoor>;
  asked: AskedOf & { takeBack?: boolean };
  /** What is kept of what people see at a number. */
  seen: (build: number) => readonly Change[];
  /** The last step that is done. */
  until: StepName;
  dryRun: boolean;
  /** So long a store's own work is waited for, in milliseconds. */
  patience: number;
}

/** So many acts are done in one store at most: more would go round in circles. */
const mostActs = 200;

/** So often a record that somebody else changes is looked at anew. */
const mostChanged = 5;

/** How long is waited before a store's own work is looked at again, in milliseconds: longer each time. */
const looks = { first: 500, longest: 30_000 };

/** Brings a client's app as far into a store as it goes: looks, decides, acts, and looks again. */
export async function submitOne(at: Submitting, ports: Ports): Promise<Submitted> {
  const { workspace, client, store } = at;
  const acts: Act[] = [];
  const stepsOf = { now: [] as readonly Step[] };
  let app: string | undefined;
  let door: StoreDoor | undefined;
  const done = await attemptAsync(async () => {
    door = await at.door();
    await go(at, door, ports, { acts, stepsOf, seen: (tagged) => (app = tagged?.app.app ?? app) });
  });
  // Whatever has kept it from going on, what has happened so far is kept.
  const noted = await attemptAsync(async () =>
    door && app !== undefined && !at.dryRun ? noteFrom(at, door, app) : [],
  );
  return {
    ...{ client, store: store.key, steps: stepsOf.now, acts },
    happened: noted.ok ? noted.value : [],
    problems: [done, noted]
      .flatMap((each) => (each.ok ? [] : each.problems))
      .map((each) => ({ ...each, client: each.client ?? client })),
  };

  function noteFrom({ variant, seen }: Submitting, through: StoreDoor, named: string) {
    return noteOf(workspace.root, { client, variant, store }, through, named, (fresh) =>
      fresh.flatMap(({ kind, build }) => (kind === "build-sent" && build !== undefined ? seen(build) : [])),
    );
  }
}

/** Keeps what has happened to an app since its history was last told. Returns what is new. */
export async function noteOf(
  root: string,
  { client, variant, store }: { client: string; variant: Variant; store: StoreDefinition },
  door: StoreDoor,
  app: string,
  beside?: Noted["beside"],
): Promise<readonly KeptHappening[]> {
  const before = (happeningsOf.read(root, client) ?? []).filter((each) => each.store === store.key);
  const last = before.findLast(({ by, id }) => by === undefined && id.startsWith(`${app}-`));
  const happened = await door.happenings(app, last?.id);
  const happenings = happened.map((each) => keptFrom(store.key, each));
  return noteHappenings({
    ...{ root, client, happenings, identifiers: identifiersOf(variant) },
    ...(beside ? { beside } : {}),
  });
}

interface Going {
  acts: Act[];
  stepsOf: { now: readonly Step[] };
  seen(tagged: Tagged | undefined): void;
}

async function go(at: Submitting, door: StoreDoor, ports: Ports, { acts, stepsOf, seen }: Going): Promise<void> {
  const { store, wants, lacks, until, dryRun, client } = at;
  let asked: AskedOf = at.asked;
  let has = await door.find(wants.identifier);
  seen(has);
  refuseForgotten(at, has);
  const secret = (named: string) => secretIn(ports, named);
  let changed = 0;
  let waited = 0;
  let pause = looks.first;
  for (;;) {
    const steps = planSubmitting({ store, has: has?.app, wants, lacks, asked, today: ports.today() });
    stepsOf.now = steps;
    const act = at.asked.takeBack ? takingBack(has) : nextAct(steps, until);
    if (dryRun || acts.length >= mostActs) return;
    if (!act) {
      const isAwaited = has && steps.some(({ name, state }) => name === "build" && state === "waits") && reaches(until);
      if (!isAwaited || waited >= at.patience || !has?.app.builds.some(({ state }) => state === "processing")) return;
      ports.on({ what: "awaiting", client, store: store.key, says: "the store takes the build in" });
      await ports.pause(Math.min(pause, at.patience - waited));
      waited += pause;
      pause = Math.min(pause * 2, looks.longest);
      has = await door.read(has.app.app);
      continue;
    }
    ports.on({ what: "acting", client, store: store.key, says: act.says });
    const outcome = await perform(act, {
      door,
      store: store.key,
      before: has,
      read: readerIn(at.workspace.root),
      secret,
    });
    if (isRefused(outcome)) {
      if (outcome.isChanged && has && changed++ < mostChanged) {
        has = await door.read(has.app.app);
        continue;
      }
      return stop([refusedBy(store, act, outcome, client)]);
    }
    has = outcome;
    seen(has);
    acts.push(act);
    ports.on({ what: "acted", client, store: store.key, says: act.says });
    // What was taken back is not sent again by the same call.
    if (act.kind === "withdraw") return;
    asked = withoutDone(asked, act);
  }
}

const reaches = (until: StepName): boolean => until !== "record" && until !== "details";

/** What was asked for is asked for once. */
const withoutDone = ({ reply, out }: AskedOf, { kind }: Act): AskedOf => ({
  ...(reply === undefined || kind === "reply" ? {} : { reply }),
  ...(out === undefined || kind === "release" ? {} : { out }),
});

function takingBack(has: Tagged | undefined): Act | undefined {
  const version = has?.app.version?.version;
  return version === undefined ? undefined : { kind: "withdraw", step: "review", says: `take version ${version} back` };
}

/** A store that no longer knows an app that it had: nobody creates it anew unasked. */
function refuseForgotten({ workspace, client, store, wants }: Submitting, has: Tagged | undefined): void {
  if (has) return;
  const { app, is } = passageOf(store.key, happeningsOf.read(workspace.root, client) ?? []);
  if (app === undefined || is === "nothing") return;
  refuse("submission-changed", `${store.title} knows no app ${wants.identifier}: it called it ${app} before.`, {
    client,
    fix: "Look into the store whether it is in another account, or was renamed.",
  });
}

function refusedBy(store: StoreDefinition, act: Act, of: Refused, client: string): Problem {
  const rule = of.rule === undefined ? "" : ` (${of.rule}${of.where === undefined ? "" : `: ${of.where}`})`;
  const lacks = of.lacks && of.lacks.length > 0 ? { expected: of.lacks.join("; ") } : {};
  if (of.isChanged)
    return problem("submission-changed", `Somebody else changes the record in ${store.title}.`, { client });
  const isNumber = act.kind === "send" && of.rule === "number rises";
  return problem(
    isNumber ? "build-lost" : "submission-refused",
    `${store.title} does not ${act.says}: ${of.wrong.replace(/\.$/, "")}${rule}.`,
    { client, ...lacks },
  );
}

const readerIn = (root: string) => ({
  sizeOf: (file: string) => sizeInside(root, file),
  part: (file: string, from: number, length: number) => partInside(root, file, from, length),
});
