import type { StoreDefinition } from "../../../stores/definition.ts";
import type { GoingOut, StoreApp } from "../wire.ts";
import { done, lacking, later, type Step, type SubmittingAt, toDo, waits } from "./step.ts";

const name = "release";

/** How an approved version reaches people. */
export function releaseStep({ has, asked: { out }, wants: { released }, store, today }: SubmittingAt): Step {
  const { version, live } = has ?? {};
  const station = version?.station;
  if (!has || !version || (station !== "approved" && station !== "going-out" && station !== "paused")) {
    if (station === "live" && live) return done(name, `version ${live.version} is out for everybody`);
    return later(name, "when a version is approved");
  }
  if (out) return asAsked(has, out, store);
  if (station === "approved") return byRecord(version.version, released, today);
  const share = `version ${version.version} is out for ${has.out?.share ?? 0} %`;
  if (station === "paused")
    return lacking(name, `${share}, and halted`, [{ what: "`--out go-on` or `--out everybody`", who: "producer" }]);
  return has.out?.isPhased
    ? waits(name, `${share}, and goes on by itself`)
    : lacking(name, share, [{ what: "the next share: `--out 50%`, or `--out everybody`", who: "producer" }]);
}

/** What the record says of the day. */
function byRecord(version: string, released: string | undefined, today: string): Step {
  if (released === undefined)
    return lacking(name, `version ${version} is approved`, [
      { what: "how it goes out: `--out everybody`, `--out 20%`, `--out phases`", who: "producer" },
    ]);
  if (released !== "at once" && released > today) return waits(name, `version ${version} goes out on ${released}`);
  const says = `let version ${version} go out`;
  return toDo(name, "is to go out", [{ kind: "release", step: name, says, how: { how: "everybody" } }]);
}

/** What somebody asks for, where the store knows such a thing. */
function asAsked({ version, live, out: now }: StoreApp, how: GoingOut, store: StoreDefinition): Step {
  const { goesOut } = store.conduct;
  const instead = (what: string): Step => lacking(name, "cannot be done so", [{ what, who: "producer" }]);
  if (how.how === "share" && goesOut.shares !== "any")
    return instead(`${store.title} has shares of its own, ${goesOut.shares.join(", ")} %: \`--out phases\``);
  if (how.how === "phases" && goesOut.shares === "any") return instead("a share in percent: `--out 20%`");
  if ((how.how === "share" || how.how === "phases") && !live)
    return instead("a first version goes to everybody: `--out everybody`");
  if (how.how === "halt" && version?.station !== "going-out") return instead("a version that is going out");
  if (how.how === "go-on" && version?.station !== "paused") return instead("a version that was halted");
  if (how.how === "share" && now && how.share <= now.share) return instead(`a share above ${now.share} %`);
  return toDo(name, goingSaid(how), [{ kind: "release", step: name, says: goingSaid(how), how }]);
}

/** How something goes out, for a producer. */
function goingSaid(how: GoingOut): string {
  if (how.how === "share") return `out for ${how.share} %`;
  return { phases: "out in the store's phases", halt: "halt", "go-on": "go on", everybody: "out for everybody" }[
    how.how
  ];
}
