import { sha256 } from "../../ground/values/hash.ts";
import { type Traced, withStep } from "../../ground/values/trail.ts";

/**
 * Words that Java and Kotlin keep for themselves; none may be a segment of an application ID (Java Language
 * Specification).
 */
export const javaWords = new Set(
  `abstract assert boolean break byte case catch char class const continue default do double else enum extends
  false final finally float for goto if implements import instanceof int interface long native new null package
  private protected public return short static strictfp super switch synchronized this throw throws transient
  true try void volatile while`.split(/\s+/),
);

/** Names of devices; none may be a segment of a package identity (Windows, package manifest schema). */
export const deviceName = /^(con|prn|aux|nul|com[1-9]|lpt[1-9])$/i;

/** A rule that an identifier must keep; `says` completes "it must …". */
interface Rule {
  says: string;
  keeps(identifier: string): boolean;
}

/** What a platform knows an app by, and what its documentation demands of that. */
export interface Identifiers {
  rules: readonly Rule[];
  /** Brings one that was made by a pattern into the platform's limits. */
  fit(given: Traced): Traced;
  /** The form in which stores and systems compare two of them. */
  comparable(identifier: string, domain: string): string;
  /** With a stage's suffix behind it. */
  suffixed(identifier: string, suffix: string): string;
  /** What its change breaks for those who have the app. */
  breaks: readonly string[];
}

export const segments = (identifier: string): string[] => identifier.split(".");

export const asGiven = (given: Traced): Traced => given;
export const withoutCase = (identifier: string): string => identifier.toLowerCase();
export const suffixDotted = (identifier: string, suffix: string): string => `${identifier}.${suffix}`;

/** Cut to a length, with a check sum of the whole at its end, so that it stays unique and is the same each time. */
export function shorten(given: Traced, most: number, why: string): Traced {
  if (given.value.length <= most) return given;
  const value = `${given.value.slice(0, most - 9).replace(/[.-]+$/, "")}x${sha256(given.value).slice(0, 8)}`;
  return withStep(given, { by: "rule", note: `shortened to ${most} characters, ${why}`, value });
}
