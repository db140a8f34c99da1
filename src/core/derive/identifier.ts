import { domainToASCII } from "node:url";
import { sha256 } from "../files/hash.ts";
import type { Platform } from "../values/platform.ts";
import type { Step } from "../values/trail.ts";
import { type Traced, withStep } from "../values/trail.ts";

/** Words that Java and Kotlin keep for themselves; none may be a segment of an application ID (Java Language Specification). */
const javaWords = new Set(
  `abstract assert boolean break byte case catch char class const continue default do double else enum extends
  false final finally float for goto if implements import instanceof int interface long native new null package
  private protected public return short static strictfp super switch synchronized this throw throws transient
  true try void volatile while`.split(/\s+/),
);

/** Names of devices; none may be a segment of a package identity (Windows, package manifest schema). */
const deviceName = /^(con|prn|aux|nul|com[1-9]|lpt[1-9])$/i;

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
  return shortened(repaired, baseMost, "so that an extension's suffix has room within Apple's 155");
}

/** A scheme as every platform takes it (RFC 3986, section 3.1): small letters, digits, + - and full stops, a letter first. */
export const settleScheme = (given: Traced): Traced =>
  withStep(given, {
    by: "rule",
    note: "in the letters of a scheme",
    value: given.value
      .toLowerCase()
      .replace(/[^a-z0-9+.-]/g, "")
      .replace(/^[^a-z]+/, ""),
  });

/** Cut to a length, with a check sum of the whole at its end, so that it stays unique and is the same each time. */
function shortened(given: Traced, most: number, why: string): Traced {
  if (given.value.length <= most) return given;
  const value = `${given.value.slice(0, most - 9).replace(/[.-]+$/, "")}x${sha256(given.value).slice(0, 8)}`;
  return withStep(given, { by: "rule", note: `shortened to ${most} characters, ${why}`, value });
}

/** A domain in the form that DNS uses; undefined where it is none. */
export const asciiDomain = (domain: string): string | undefined =>
  domainToASCII(domain.toLowerCase()) || undefined;

const windowsMost = 50;

/** Shortens an identity name to what Windows takes. */
export const fitWindows = (given: Traced): Traced => shortened(given, windowsMost, "the most Windows takes");

/** A rule that an identifier must keep; `says` completes "it must …". */
interface Rule {
  says: string;
  keeps(identifier: string): boolean;
}

const segments = (identifier: string): string[] => identifier.split(".");

/** What each platform demands of an identifier, from that platform's own documentation. */
const identifierRules: Readonly<Record<Platform, readonly Rule[]>> = {
  android: [
    { says: "have two segments or more, divided by full stops", keeps: (id) => segments(id).length >= 2 },
    {
      says: "have only letters, digits and underscores, each segment starting with a letter",
      keeps: (id) => segments(id).every((segment) => /^[A-Za-z][A-Za-z0-9_]*$/.test(segment)),
    },
    {
      says: "have no word of Java as a segment",
      keeps: (id) => !segments(id).some((each) => javaWords.has(each)),
    },
    {
      says: "not start with com.example, android, com.android or com.google: the store refuses these",
      keeps: (id) => !/^(com\.example|android|com\.android|com\.google)(\.|$)/i.test(id),
    },
  ],
  ios: [
    { says: "have only letters, digits, hyphens and full stops", keeps: (id) => /^[A-Za-z0-9.-]+$/.test(id) },
    { says: "have no empty segment", keeps: (id) => segments(id).every(Boolean) },
    { says: "have at most 155 characters", keeps: (id) => id.length <= 155 },
  ],
  desktop: [
    { says: "have only letters, digits, hyphens and full stops", keeps: (id) => /^[A-Za-z0-9.-]+$/.test(id) },
    { says: "have two segments or more, none empty", keeps: (id) => /^[^.]+(\.[^.]+)+$/.test(id) },
    { says: "have at most 155 characters", keeps: (id) => id.length <= 155 },
  ],
  windows: [
    { says: "have 3 to 50 characters", keeps: (id) => id.length >= 3 && id.length <= windowsMost },
    { says: "have only letters, digits, full stops and hyphens", keeps: (id) => /^[A-Za-z0-9.-]+$/.test(id) },
    {
      says: "have no empty segment and not end with a full stop",
      keeps: (id) => segments(id).every(Boolean),
    },
    {
      says: "have no name of a device as a segment, and none that starts with xn--",
      keeps: (id) => !segments(id).some((each) => deviceName.test(each) || /^xn--/i.test(each)),
    },
  ],
  web: [
    { says: "start with a slash, on the same address as the app", keeps: (id) => /^\/(?!\/)/.test(id) },
    { says: "have something behind the slash", keeps: (id) => id.length > 1 },
    { says: "hold no blanks", keeps: (id) => !/\s/.test(id) },
  ],
};

/** What an identifier breaks on a platform; empty where it is accepted. */
export const brokenRules = (platform: Platform, identifier: string): string[] =>
  identifierRules[platform].filter((rule) => !rule.keeps(identifier)).map((rule) => rule.says);

/** Attributes of an X.500 name that a package's publisher may have (Microsoft, package manifest schema, Identity). */
const distinguishedPart =
  /^(CN|L|O|OU|E|C|S|STREET|T|G|I|SN|DC|SERIALNUMBER|Description|PostalCode|POBox|Phone|X21Address|dnQualifier|(OID\.(0|[1-9]\d*)(\.(0|[1-9]\d*))+))=(("[^"]*("")?[^"]*")|[^,+="<>#;]+)$/;

/** Whether a text is an X.500 name, as a certificate's subject is. */
export const isDistinguishedName = (text: string): boolean => {
  const parts = text.split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/);
  return parts.every((part) => distinguishedPart.test(part.trim().replaceAll('""', "")));
};

/** The form in which a store compares identifiers: Android by letter, Apple and Windows without regard to case. */
export const comparable: Readonly<Record<Platform, (identifier: string, domain: string) => string>> = {
  android: (identifier) => identifier,
  ios: (identifier) => identifier.toLowerCase(),
  desktop: (identifier) => identifier.toLowerCase(),
  windows: (identifier) => identifier.toLowerCase(),
  web: (identifier, domain) => `${domain.toLowerCase()}${identifier}`,
};
