import { emptyLedger, type Ledger } from "../../agency/history/ledger.ts";
import { definitions } from "../../app/platforms/all.ts";
import type { Resolved } from "../../app/variant/variant.ts";
import { problem } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import { type Platform, platformNames } from "../../ground/values/platform.ts";
import { brokenRules } from "../derive/fields/identifier.ts";

/**
 * The client's ledger with another identifier, fixed. One that its platform or another client forbids is a problem.
 * Pure.
 */
export function renameIdentifier(
  all: readonly Resolved[],
  key: string,
  platform: Platform,
  value: string,
  today: string,
): Result<Ledger> {
  const broken = brokenRules(platform, value);
  if (broken.length > 0)
    return fail(
      ...broken.map((rule) =>
        problem("identifier-invalid", `${platformNames[platform]} does not accept the identifier "${value}".`, {
          expected: `it must ${rule}`,
        }),
      ),
    );
  const compared = (each: Resolved, identifier: string) =>
    definitions[platform].identifiers.comparable(identifier, each.variant?.values.domain?.value ?? "");
  const own = all.find(({ client }) => client.key === key);
  const taken = all.find((each) => {
    const theirs = each.variant?.values[`identifiers.${platform}`]?.value;
    return each !== own && own && theirs !== undefined && compared(each, theirs) === compared(own, value);
  });
  if (taken) return fail(problem("identifier-taken", `"${value}" is the identifier of ${taken.client.key}.`));
  const ledger = own?.client.ledger ?? emptyLedger;
  return succeed({
    ...ledger,
    identifiers: { ...ledger.identifiers, [platform]: { value, fixed: today } },
  });
}
