import type { Client } from "../../../agency/workspace/workspace.ts";
import { type Traced, trace, withStep } from "../../../ground/values/trail.ts";

/** What signs the Android app, by its fingerprints: the store's key, where a brief has it, and the upload key. */
export function fingerprints({ keys }: Client, store: Traced | undefined): Traced | undefined {
  const upload = keys?.ok ? keys.value["android-upload"]?.sha256 : undefined;
  if (!upload) return store && withStep(store, { by: "rule", note: "the store's alone", value: store.value });
  const note = "of the upload key";
  const own = trace({ by: "ledger", note, value: upload });
  return store ? withStep(own, { by: "rule", note: "behind the store's", value: `${store.value}\n${upload}` }) : own;
}

/** A fingerprint as stores and systems write it. */
export function inCapitals(value: Traced): Traced {
  const capitals = value.value.toUpperCase();
  return capitals === value.value ? value : withStep(value, { by: "rule", note: "in capitals", value: capitals });
}
