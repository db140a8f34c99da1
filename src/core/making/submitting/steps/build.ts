import { sizeSaid } from "../../../ground/values/size.ts";
import type { WantedBuild } from "../wants.ts";
import type { StoreApp } from "../wire.ts";
import { done, isLookedAt, lacking, later, type Step, type SubmittingAt, toDo, waits } from "./step.ts";

const name = "build";

/** The package that people get: sent once, waited for, and put in place. */
export function buildStep({ has, wants: { build }, store }: SubmittingAt): Step {
  if (!build)
    return lacking(name, "there is none for the store", [
      { what: "a good build for the store: `oxalis build`", who: "producer" },
    ]);
  if (!has) return later(name, "when there is a record");
  const there = has.builds.find((each) => each.build === build.build);
  const { version, build: number } = build;
  if (!there) return unsent(has, build, store.title);
  if (there.sum !== build.sum)
    return lacking(name, `${store.title} has another package as build ${number}`, [nextNumber]);
  if (there.state === "processing") return waits(name, `${store.title} takes build ${number} in`);
  if (there.state === "refused")
    return lacking(name, `${store.title} does not take build ${number}: ${there.why ?? "it does not say why"}`, [
      nextNumber,
    ]);
  if (has.version?.build === number || has.live?.build === number)
    return done(name, `build ${number} stands for version ${version}`);
  if (isLookedAt(has) || has.version?.station === "approved")
    return waits(name, `version ${has.version?.version} is under way; \`--take-back\` makes room for ${version}`);
  const says = `let build ${number} stand for version ${version}`;
  return toDo(name, `build ${number} can be used`, [{ kind: "attach", step: name, says, version, build: number }]);
}

const nextNumber = { what: "the next number: `oxalis release`, then `oxalis build`", who: "producer" } as const;

function unsent(has: StoreApp, build: WantedBuild, title: string): Step {
  const highest = Math.max(0, ...has.builds.map((each) => each.build));
  if (build.build <= highest)
    return lacking(name, `${title} has build ${highest} already, and takes none below it`, [nextNumber]);
  const says = `send build ${build.build} of version ${build.version}, ${sizeSaid(build.size)}`;
  return toDo(name, `build ${build.build} is to be sent`, [{ kind: "send", step: name, says, build }]);
}
