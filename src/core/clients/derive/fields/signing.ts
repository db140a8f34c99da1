import type { KeyRecord } from "../../../agency/history/keys.ts";
import { installsOf } from "../../../agency/workspace/schema/agency.ts";
import type { Client, Stage } from "../../../agency/workspace/workspace.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { type Traced, trace, withStep } from "../../../ground/values/trail.ts";

/** What signs the Android app, by its fingerprints: the store's key, where a brief has it, and the client's own. */
function fingerprints({ keys }: Client, store: Traced | undefined): Traced | undefined {
  const records = keys?.ok ? keys.value.records : {};
  const marks = (["android-app", "android-upload"] as const).flatMap((role) => records[role]?.sha256 ?? []);
  if (marks.length === 0)
    return store && withStep(store, { by: "rule", note: "the store's alone", value: store.value });
  const own = trace({ by: "ledger", note: "of the keys that sign it", value: marks.join("\n") });
  return store
    ? withStep(own, { by: "rule", note: "behind the store's", value: [store.value, ...marks].join("\n") })
    : own;
}

/** A fact of a key's, as it goes into the variant. */
const ofKey =
  (role: string, note: string, fact: (record: KeyRecord) => string | undefined) =>
  ({ keys }: Client): Traced | undefined => {
    const record = keys?.ok ? keys.value.records[role] : undefined;
    const value = record && fact(record);
    return value === undefined ? undefined : trace({ by: "ledger", note, value });
  };

/** Fields that follow from the client's keys. */
export const ofKeys = {
  "signing.fingerprints": fingerprints,
  "signing.thumbprint": ofKey("windows-package", "of the package certificate", ({ sha1 }) => sha1?.replaceAll(":", "")),
  "signing.pushKey": ofKey("web-push", "of the push key pair", ({ point }) => point),
} as const satisfies Partial<Record<Field, (client: Client, store: Traced | undefined) => Traced | undefined>>;

export const isOfKeys = (field: Field): field is keyof typeof ofKeys => Object.hasOwn(ofKeys, field);

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
