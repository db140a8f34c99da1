import { emptyLedger, type Ledger } from "../../agency/history/ledger.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";

/**
 * The ledger after a variant has been generated: identifiers that are new, or were only reserved and have changed, are
 * reserved. Undefined where nothing changes.
 * @param today as 2026-03-01
 */
export function reserveIdentifiers(
  variant: Variant,
  wanted: readonly Platform[],
  ledger: Ledger = emptyLedger,
  today: string,
): Ledger | undefined {
  const identifiers = { ...ledger.identifiers };
  let changed = false;
  for (const platform of platforms.filter((each) => wanted.includes(each))) {
    const value = variant.values[`identifiers.${platform}`]?.value;
    if (value === undefined || identifiers[platform]?.value === value) continue;
    identifiers[platform] = { value, reserved: today };
    changed = true;
  }
  return changed ? { ...ledger, identifiers } : undefined;
}

/** The same ledger with the identifiers of platforms fixed: from now on they do not follow the brief. */
export function fixIdentifiers(ledger: Ledger, released: readonly Platform[], today: string): Ledger {
  const identifiers = { ...ledger.identifiers };
  for (const platform of released) {
    const held = identifiers[platform];
    if (held && !held.fixed) identifiers[platform] = { ...held, fixed: today };
  }
  return { ...ledger, identifiers };
}
