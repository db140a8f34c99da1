import { brokenRules, comparable } from "../derive/identifier.ts";
import type { Resolved } from "../derive/variant.ts";
import { problem, Refusal, refuse } from "../problems/problem.ts";
import { type Platform, platformNames } from "../values/platform.ts";
import { emptyLedger, type Ledger } from "../workspace/ledger.ts";

/** What an identifier's change breaks for those who have the app, by each platform's own rules. */
export const breaks: Readonly<Record<Platform, readonly string[]>> = {
  android: [
    "The store takes it for another app: a new record, no ratings, no updates for those who have the old one.",
    "Push configuration, app links and signing in by other services are bound to the old application ID.",
  ],
  ios: [
    "The store takes it for another app: a new record, no ratings, no updates for those who have the old one.",
    "Profiles, push certificates, app groups and the keychain's entries are bound to the old bundle identifier.",
  ],
  desktop: [
    "Systems take it for another app: it installs beside the old one, which gets no more updates.",
    "Its settings, the keychain's entries and permissions are bound to the old identifier.",
  ],
  windows: ["The package is another one: it installs beside the old one, whose data it cannot read."],
  web: ["Browsers take it for another app: those who installed the page keep the old one."],
};

/** The client's ledger with another identifier, fixed. Refuses one that its platform or another client forbids. Pure. */
export function renamed(
  all: readonly Resolved[],
  key: string,
  platform: Platform,
  value: string,
  today: string,
): Ledger {
  const broken = brokenRules(platform, value);
  if (broken.length > 0) {
    throw new Refusal(
      broken.map((rule) =>
        problem(
          "identifier-invalid",
          `${platformNames[platform]} does not accept the identifier "${value}".`,
          { expected: `it must ${rule}` },
        ),
      ),
    );
  }
  const compared = (each: Resolved, identifier: string) =>
    comparable[platform](identifier, each.variant?.values.domain?.value ?? "");
  const own = all.find(({ client }) => client.key === key);
  const taken = all.find((each) => {
    const theirs = each.variant?.values[`identifiers.${platform}`]?.value;
    return each !== own && own && theirs !== undefined && compared(each, theirs) === compared(own, value);
  });
  if (taken) refuse("identifier-taken", `"${value}" is the identifier of ${taken.client.key}.`);
  const ledger = own?.client.ledger ?? emptyLedger;
  return {
    ...ledger,
    identifiers: { ...ledger.identifiers, [platform]: { value, state: "fixed", since: today } },
  };
}
