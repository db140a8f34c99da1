import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { closedTo, isChanged, isHeld } from "./apps.ts";
import { takes } from "./chance.ts";
import { type Account, changed, happen, type KeptApp, type KeptVersion, type Outcome, wrong } from "./kept.ts";
import type { Looked } from "./look.ts";

/** What the people who review say. */
export type Decision =
  | { decision: "accept" }
  | { decision: "refuse" | "ask"; rule: string; where?: string | undefined; says: string };

/** Whether a version, or a record that has changed alone, can be sent. */
function notToSend(store: StoreDefinition, app: KeptApp): Outcome | undefined {
  const { version } = app;
  if (!version || version.build === undefined)
    return wrong(422, "No build stands for a version.", { lacks: ["a build"], where: "build" });
  if (isHeld(app)) return wrong(409, `Version ${version.version} was sent already.`, { rule: "in review" });
  if (version.station === "open" || version.station === "refused") return undefined;
  if (version.station === "live" && store.conduct.reviewsTextsAlone && isChanged(app)) return undefined;
  return wrong(409, `There is nothing to look at: version ${version.version} is ${version.station}.`, {
    rule: "one version",
  });
}

/** Sends a version to the people who review, after a machine has looked at all of it. */
export function submit(
  store: StoreDefinition,
  account: Account,
  app: KeptApp,
  at: { now: number; seed: string; looked: Looked; user?: string | undefined },
): Outcome {
  const { now, seed, looked, user } = at;
  const not = closedTo(account) ?? notToSend(store, app);
  if (not) return not;
  const [first] = looked.wrong;
  if (looked.lacks.length > 0 || first)
    return wrong(422, first?.says ?? `${looked.lacks.length} things lack.`, {
      lacks: [...looked.lacks, ...looked.wrong.map(({ says }) => says)],
      rule: first?.rule ?? "complete",
    });
  const version = app.version as KeptVersion;
  const long = takes(seed, `${app.app} ${app.revision} review`, store.conduct.waits.review);
  const { refusal: _, access: __, ...rest } = version;
  const sent: KeptVersion = {
    ...{ ...rest, station: "waiting", since: now },
    ...{ beginsAt: now + Math.round(long / 2), decidesAt: now + long },
    ...(user === undefined ? {} : { access: user }),
  };
  return { app: happen(changed(app, { version: sent }), now, { kind: "submitted", version: version.version }) };
}

/** Takes a version back that was sent, or approved. */
export function withdraw(app: KeptApp, now: number): Outcome {
  const { version } = app;
  if (!version || !(isHeld(app) || version.station === "approved" || version.station === "asked"))
    return wrong(409, "No version was sent.", { rule: "one version" });
  return {
    app: happen(changed(app, { version: open(version, now) }), now, { kind: "withdrawn", version: version.version }),
  };
}

const open = ({ version, build }: KeptVersion, since: number): KeptVersion => ({
  ...{ version, station: "open", since },
  ...(build === undefined ? {} : { build }),
});

/** The people who review begin with it. */
export function begin(app: KeptApp, at: number): KeptApp {
  const version = app.version as KeptVersion;
  const { beginsAt: _, ...rest } = version;
  const begun = changed(app, { version: { ...rest, station: "in-review", since: at } });
  return happen(begun, at, { kind: "review-began", version: version.version });
}

/** What they say. */
export function decide(store: StoreDefinition, app: KeptApp, of: Decision, now: number): Outcome {
  const { version } = app;
  if (!version || !isHeld(app)) return wrong(409, "Nothing waits to be looked at.", { rule: "one version" });
  const { version: named } = version;
  if (of.decision !== "accept") {
    const { rule, where, says, decision } = of;
    const station = decision === "ask" ? "asked" : "refused";
    const refusal = { rule, says, ...(where === undefined ? {} : { where }) };
    const told = changed(app, { version: { ...open(version, now), station, refusal } });
    return { app: happen(told, now, { kind: station, version: named, ...refusal }) };
  }
  const isSame = app.live?.build === version.build;
  const station = isSame ? "live" : "approved";
  const approved = changed(app, {
    version: { ...open(version, now), station },
    // What a record says is seen as soon as it is approved, where no build goes along.
    ...(isSame && store.conduct.reviewsTextsAlone ? { shown: app.draft } : {}),
  });
  const happened = happen(approved, now, { kind: "approved", version: named });
  return { app: isSame ? happen(happened, now, { kind: "live", version: named, build: version.build }) : happened };
}

/** Answers a refusal or a question. */
export function reply(app: KeptApp, says: string, now: number): Outcome {
  const { version } = app;
  if (version?.station === "asked") {
    const back: KeptVersion = { ...open(version, now), station: "waiting", beginsAt: now, decidesAt: now + 3_600_000 };
    return { app: happen(changed(app, { version: back }), now, { kind: "answered", says, version: version.version }) };
  }
  if (version?.station !== "refused") return wrong(409, "Nothing is to be answered.", { rule: "one version" });
  const opened = changed(app, { version: open(version, now) });
  return { app: happen(opened, now, { kind: "answered", says, version: version.version }) };
}
