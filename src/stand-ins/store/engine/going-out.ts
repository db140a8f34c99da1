import type { GoingOut } from "../../../core/making/submitting/wire.ts";
import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { changed, happen, type KeptApp, type KeptVersion, type Outcome, wrong } from "./kept.ts";

const day = 86_400_000;

/** Lets an approved version out, or changes how it goes out. */
export function goOut(store: StoreDefinition, app: KeptApp, how: GoingOut, now: number): Outcome {
  const { version, out } = app;
  const station = version?.station;
  if (!version || (station !== "approved" && station !== "going-out" && station !== "paused"))
    return wrong(409, "No version is approved.", { rule: "approved first" });
  const { shares } = store.conduct.goesOut;
  if ((how.how === "share" || how.how === "phases") && !app.live)
    return wrong(422, "A first version goes to everybody.", { rule: "first version", where: "share" });
  switch (how.how) {
    case "everybody":
      return { app: toEverybody(app, now) };
    case "share":
      if (shares !== "any") return wrong(422, `Shares are ${shares.join(", ")} %.`, { rule: "shares", where: "share" });
      if (out && how.share <= out.share) return wrong(422, `It is out for ${out.share} % already.`, { rule: "shares" });
      if (how.share >= 100) return { app: toEverybody(app, now) };
      return { app: toShare(app, how.share, { isPhased: false }, now) };
    case "phases":
      if (shares === "any") return wrong(422, "There are no phases here: give a share.", { rule: "shares" });
      if (station !== "approved") return wrong(409, "It goes out already.", { rule: "shares" });
      return { app: toShare(app, shares[0] ?? 1, { isPhased: true, nextAt: now + day }, now) };
    case "halt":
      if (station !== "going-out" || !out) return wrong(409, "Nothing goes out.", { rule: "shares" });
      return { app: halted(app, version, out, now) };
    case "go-on":
      if (station !== "paused" || !out) return wrong(409, "Nothing is halted.", { rule: "shares" });
      return {
        app: toShare(app, out.share, { isPhased: out.isPhased, ...(out.isPhased ? { nextAt: now + day } : {}) }, now),
      };
  }
}

function toShare(
  app: KeptApp,
  share: number,
  { isPhased, nextAt }: { isPhased: boolean; nextAt?: number },
  now: number,
): KeptApp {
  const version = app.version as KeptVersion;
  const out = changed(app, {
    version: { ...version, station: "going-out", since: now },
    out: { share, isPhased, isPaused: false, since: now, ...(nextAt === undefined ? {} : { nextAt }) },
  });
  return happen(out, now, { kind: "out", version: version.version, build: version.build, share });
}

function halted(app: KeptApp, version: KeptVersion, out: NonNullable<KeptApp["out"]>, now: number): KeptApp {
  const { nextAt: _, ...kept } = out;
  const paused = changed(app, {
    version: { ...version, station: "paused", since: now },
    out: { ...kept, isPaused: true, since: now },
  });
  return happen(paused, now, { kind: "paused", version: version.version, share: out.share });
}

/** Everybody gets it, and sees what its record says. */
function toEverybody({ out: _, ...app }: KeptApp, now: number): KeptApp {
  const version = app.version as KeptVersion;
  const { version: named, build = 0 } = version;
  const live = changed(app, {
    version: { ...version, station: "live", since: now },
    live: { version: named, build, since: now },
    shown: app.draft,
  });
  return happen(live, now, { kind: "live", version: named, build });
}

/** The next of a store's phases. */
export function nextPhase(store: StoreDefinition, app: KeptApp, at: number): KeptApp {
  const { shares } = store.conduct.goesOut;
  const next = shares === "any" ? undefined : shares.find((each) => each > (app.out?.share ?? 0));
  return next === undefined || next >= 100
    ? toEverybody(app, at)
    : toShare(app, next, { isPhased: true, nextAt: at + day }, at);
}
