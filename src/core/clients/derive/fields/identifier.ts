import { domainToASCII } from "node:url";
import { definitions } from "../../../app/platforms/all.ts";
import { deviceName, javaWords, shorten } from "../../../app/template/identifiers.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import type { Step } from "../../../ground/values/trail.ts";
import { type Traced, withStep } from "../../../ground/values/trail.ts";

/** Longest base identifier, in characters. */
const baseMost = 120;

/** A repair of one segment of the base identifier, with the reason a producer is given. */
interface Repair {
  says: string;
  apply(segment: string): string;
}

/** Applied in this order to each segment, so that one base holds on every platform, letter for letter. */
const repairs: readonly Repair[] = [
  {
    says: "marks other than letters and digits left out: no platform's rules allow the same ones",
    apply: (segment) => segment.replace(/[^a-z0-9]/g, ""),
  },
  {
    says: "n put before a digit: Android wants every segment to start with a letter",
    apply: (segment) => segment.replace(/^(?=\d)/, "n"),
  },
  {
    says: "app put behind a word that Java or Windows keeps for itself",
    apply: (segment) => (javaWords.has(segment) || deviceName.test(segment) ? `${segment}app` : segment),
  },
];

/** Turns what the pattern gave into an identifier that holds on every platform; each repair is a step of the trail. */
export function settleBase(given: Traced): Traced {
  const lower: Step = { by: "rule", note: "lower case, by convention", value: given.value.toLowerCase() };
  const repaired = repairs.reduce<Traced>(
    (settled, { says, apply }) => {
      const value = settled.value.split(".").map(apply).filter(Boolean).join(".");
      return withStep(settled, { by: "rule", note: says, value });
    },
    withStep(given, lower),
  );
  return shorten(repaired, baseMost, "so that an extension's suffix has room within Apple's 155");
}

/**
 * A scheme as every platform takes it (RFC 3986, section 3.1): small letters, digits, + - and full stops, a letter
 * first.
 */
export const settleScheme = (given: Traced): Traced =>
  withStep(given, {
    by: "rule",
    note: "in the letters of a scheme",
    value: given.value
      .toLowerCase()
      .replace(/[^a-z0-9+.-]/g, "")
      .replace(/^[^a-z]+/, ""),
  });

/** A domain in the form that DNS uses; undefined where it is none. */
export const asciiDomain = (domain: string): string | undefined => domainToASCII(domain.toLowerCase()) || undefined;

/** What an identifier breaks on a platform; empty where it is accepted. */
export const brokenRules = (platform: Platform, identifier: string): string[] =>
  definitions[platform].identifiers.rules.filter((rule) => !rule.keeps(identifier)).map((rule) => rule.says);
