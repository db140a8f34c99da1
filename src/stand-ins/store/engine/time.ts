import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { endProcessing } from "./builds.ts";
import { nextPhase } from "./going-out.ts";
import { changed, happen, type KeptApp } from "./kept.ts";
import { begin, decide } from "./reviews.ts";
import { allowTesting } from "./testing.ts";

/** Something that happens by itself at a time. */
interface Coming {
  at: number;
  come(app: KeptApp): KeptApp;
}

/** @param isByHand whether a person decides on the page; otherwise everything is accepted when its time has come */
function comingTo(store: StoreDefinition, app: KeptApp, isByHand: boolean): Coming[] {
  const { builds, version, out, testing, heldUntil } = app;
  const beginsAt = version?.station === "waiting" ? version.beginsAt : undefined;
  const decidesAt = version?.station === "in-review" && !isByHand ? version.decidesAt : undefined;
  return [
    ...builds.flatMap((build): Coming[] => {
      if (build.state === "processing")
        return [{ at: build.readyAt, come: (now) => endProcessing(now, build, build.readyAt) }];
      const { until, state } = build;
      return state === "ready" && until !== undefined
        ? [{ at: until, come: (now) => endTests(now, build.build, until) }]
        : [];
    }),
    ...(beginsAt === undefined ? [] : [{ at: beginsAt, come: (now: KeptApp) => begin(now, beginsAt) }]),
    ...(decidesAt === undefined ? [] : [{ at: decidesAt, come: (now: KeptApp) => accepted(store, now, decidesAt) }]),
    ...(out?.nextAt === undefined ? [] : [phase(store, out.nextAt)]),
    ...testing.flatMap(({ decidesAt: at, track, build }): Coming[] =>
      at === undefined ? [] : [{ at, come: (now) => allowTesting(now, track, build, at) }],
    ),
    ...(heldUntil === undefined || app.hasLapsed
      ? []
      : [{ at: heldUntil, come: (now: KeptApp) => lapse(now, heldUntil) }]),
  ];
}

const phase = (store: StoreDefinition, at: number): Coming => ({ at, come: (app) => nextPhase(store, app, at) });

function accepted(store: StoreDefinition, app: KeptApp, at: number): KeptApp {
  const outcome = decide(store, app, { decision: "accept" }, at);
  return "app" in outcome ? outcome.app : app;
}

function endTests(app: KeptApp, build: number, at: number): KeptApp {
  const builds = app.builds.map((each) => (each.build === build ? { ...each, state: "ended" as const } : each));
  // What everybody has is tried by nobody any more: it ends without a word.
  if (app.live && app.live.build >= build) return changed(app, { builds });
  return happen(changed(app, { builds }), at, { kind: "build-ended", build });
}

const lapse = (app: KeptApp, at: number): KeptApp =>
  happen(changed(app, { hasLapsed: true }), at, { kind: "name-lapsed", says: app.name });

/** An app at a time: everything that comes by itself until then has come, in its order. */
export function atTime(store: StoreDefinition, app: KeptApp, now: number, isByHand: boolean): KeptApp {
  let then = app;
  for (;;) {
    const [next] = comingTo(store, then, isByHand)
      .filter(({ at }) => at <= now)
      .sort((a, b) => a.at - b.at);
    if (!next) return then;
    then = next.come(then);
  }
}
