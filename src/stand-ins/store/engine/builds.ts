import type { PackageFacts } from "../../../core/app/packages/facts.ts";
import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { isHeld } from "./apps.ts";
import { takes } from "./chance.ts";
import { changed, happen, type KeptApp, type KeptBuild, type Outcome, wrong } from "./kept.ts";

const day = 86_400_000;

/** A build that was sent. @param facts what its package says of itself; undefined where it is none that is known */
export function takeBuild(
  store: StoreDefinition,
  app: KeptApp,
  sent: { sum: string; version: string; build: number },
  { facts, now, seed }: { facts: PackageFacts | undefined; now: number; seed: string },
): Outcome {
  const { version, build, sum } = sent;
  const highest = Math.max(0, ...app.builds.map((each) => each.build));
  if (build <= highest)
    return wrong(409, `Build ${build} is not above ${highest}: a number is used once, and rises.`, {
      rule: "number rises",
      where: "build",
    });
  const why = faultOf(store, app, sent, facts);
  const readyAt = now + takes(seed, `${app.app} ${build}`, store.conduct.waits.processing);
  const { testsFor } = store.conduct;
  const taken: KeptBuild = {
    ...{ version, build, sum, state: "processing", since: now, readyAt, permissions: facts?.permissions ?? [] },
    ...(why === undefined ? {} : { why }),
    ...(testsFor ? { until: readyAt + testsFor.days * day } : {}),
    ...(facts?.signer ? { signer: facts.signer.sha256 } : {}),
    ...(facts && facts.version === facts.build ? { packageVersion: facts.version } : {}),
  };
  const { heldUntil: _, ...used } = app;
  return {
    app: happen(changed(used, { builds: [taken, ...app.builds] }), now, { kind: "build-sent", build, version }),
  };
}

/** Why a package will not be taken, which is told when its processing is over. */
function faultOf(
  store: StoreDefinition,
  app: KeptApp,
  { version, build }: { version: string; build: number },
  facts: PackageFacts | undefined,
): string | undefined {
  if (!facts) return "This is no package that can be read.";
  const { kind, identifier, signer, unfit } = facts;
  const { packages, wantsSigned } = store.conduct;
  if (!packages.includes(kind)) return `A package of the form ${kind} is not taken here, but ${packages.join(" or ")}.`;
  if (identifier !== app.identifier) return `The package is of ${identifier}, the record of ${app.identifier}.`;
  const numbered = numberFault(app, { version, build }, facts);
  if (numbered) return numbered;
  if (wantsSigned && !signer) return "The package is not signed.";
  if (app.signer !== undefined && signer && signer.sha256 !== app.signer)
    return `The package is signed by ${signer.subject}: the first one was signed by somebody else.`;
  if (signer?.holds === false) return "The package is not as it was signed.";
  return unfit[0] === undefined ? undefined : `The package ${unfit[0]}.`;
}

/** What is wrong with what a package calls itself. */
function numberFault(
  { builds }: KeptApp,
  { version, build }: { version: string; build: number },
  facts: PackageFacts,
): string | undefined {
  // Some have one number for both, which is their own: it rises from one package to the next.
  if (facts.version !== "" && facts.version === facts.build) {
    const former = builds.find(
      (each) => each.packageVersion !== undefined && !isAbove(facts.version, each.packageVersion),
    );
    return former && `The package says version ${facts.version}, which is not above ${former.packageVersion}.`;
  }
  if (facts.version !== "" && !facts.version.startsWith(version))
    return `The package says version ${facts.version}, not ${version}.`;
  return facts.build === "" || facts.build === String(build)
    ? undefined
    : `The package says build ${facts.build}, not ${build}.`;
}

/** The processing of a build is over. */
export function endProcessing(app: KeptApp, { build, why }: KeptBuild, at: number): KeptApp {
  const builds = app.builds.map((each) =>
    each.build === build
      ? { ...each, state: why === undefined ? ("ready" as const) : ("refused" as const), since: at }
      : each,
  );
  if (why !== undefined) return happen(changed(app, { builds }), at, { kind: "build-refused", build, says: why });
  const signer = app.signer ?? builds.find((each) => each.build === build)?.signer;
  const ready = changed(app, { builds, ...(signer === undefined ? {} : { signer }) });
  return happen(ready, at, { kind: "build-ready", build });
}

/** Lets a build stand for a version. */
export function attach(app: KeptApp, { version, build }: { version: string; build: number }, now: number): Outcome {
  const there = app.builds.find((each) => each.build === build);
  if (!there) return wrong(404, `There is no build ${build}.`, { where: "build" });
  if (there.state !== "ready")
    return wrong(409, `Build ${build} cannot be used: it is ${there.state}.`, { where: "build" });
  if (there.version !== version)
    return wrong(422, `Build ${build} is of version ${there.version}.`, {
      rule: "version of the build",
      where: "version",
    });
  if (isHeld(app)) return wrong(409, `Version ${app.version?.version} is looked at.`, { rule: "in review" });
  if (app.version?.station === "approved")
    return wrong(409, `Version ${app.version.version} is approved: let it out, or take it back.`, {
      rule: "one version",
    });
  if (app.live && !isAbove(version, app.live.version))
    return wrong(422, `Version ${version} is not above ${app.live.version}.`, {
      rule: "version rises",
      where: "version",
    });
  const attached = changed(app, { version: { version, build, station: "open", since: now } });
  return { app: happen(attached, now, { kind: "attached", build, version }) };
}

const isAbove = (version: string, other: string): boolean => version.localeCompare(other, "en", { numeric: true }) > 0;
