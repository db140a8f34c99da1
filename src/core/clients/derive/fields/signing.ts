import { installsOf } from "../../../agency/workspace/schema/agency.ts";
import type { Client, Stage } from "../../../agency/workspace/workspace.ts";
import { type Traced, trace, withStep } from "../../../ground/values/trail.ts";

/** What signs the Android app, by its fingerprints: the store's key, where a brief has it, and the client's own. */
export function fingerprints({ keys }: Client, store: Traced | undefined): Traced | undefined {
  const records = keys?.ok ? keys.value.records : {};
  const marks = (["android-app", "android-upload"] as const).flatMap((role) => records[role]?.sha256 ?? []);
  if (marks.length === 0)
    return store && withStep(store, { by: "rule", note: "the store's alone", value: store.value });
  const own = trace({ by: "ledger", note: "of the keys that sign it", value: marks.join("\n") });
  return store
    ? withStep(own, { by: "rule", note: "behind the store's", value: [store.value, ...marks].join("\n") })
    : own;
}

/**
 * The profiles that are kept for a client's apps, by identifier: for the store; at a stage that is installed beside it,
 * those for named devices first.
 */
export function keptProfiles({ keys }: Client, stage: Stage | undefined): Record<string, string> {
  const all = keys?.ok ? Object.values(keys.value.profiles) : [];
  const order = stage && installsOf(stage.has) === "beside" ? ["store", "testers"] : ["store"];
  const wanted = order.flatMap((kind) => all.filter((each) => each.kind === kind));
  return Object.fromEntries(wanted.map(({ identifier, title }) => [identifier, title]));
}

/** A fingerprint as stores and systems write it. */
export function inCapitals(value: Traced): Traced {
  const capitals = value.value.toUpperCase();
  return capitals === value.value ? value : withStep(value, { by: "rule", note: "in capitals", value: capitals });
}
