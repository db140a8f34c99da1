import { type Ledger, lastRelease } from "../../../agency/history/ledger.ts";
import type { Client } from "../../../agency/workspace/workspace.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import type { Field } from "../../../ground/values/fields.ts";
import { type Platform, platformNames, platformOf } from "../../../ground/values/platform.ts";
import type { Place } from "../../../ground/values/source.ts";
import { type Traced, trace, withStep, writtenAt } from "../../../ground/values/trail.ts";

/** An identifier that an app keeps, though brief and patterns would now give another. */
export interface Kept {
  platform: Platform;
  identifier: string;
  otherwise: Traced;
}

/**
 * What the ledger holds of a field, over whatever brief and patterns say; `derived` unchanged where it holds nothing.
 */
export function holdBack(
  field: Field,
  derived: Traced | undefined,
  ledger: Ledger | undefined,
): { value: Traced | undefined; kept?: Kept } {
  if (!ledger) return { value: derived };
  const released = lastRelease(ledger);
  if (released && field === "version") return { value: heldTo(derived, released.version, `taken on ${released.on}`) };
  if (released && field === "build")
    return { value: heldTo(derived, String(released.build), `the last one used, on ${released.on}`) };
  const platform = platformOf(field);
  const identifier = platform && ledger.identifiers[platform];
  if (!platform || identifier?.fixed === undefined) return { value: derived };
  const value = heldTo(derived, identifier.value, `kept: in use since ${identifier.fixed}`);
  if (!derived || derived.value === identifier.value) return { value };
  return { value, kept: { platform, identifier: identifier.value, otherwise: derived } };
}

const heldTo = (derived: Traced | undefined, value: string, note: string): Traced =>
  derived ? withStep(derived, { by: "ledger", note, value }) : trace({ by: "ledger", note, value });

/** Tells where a brief gives a version or a build number that the ledger has passed: it is the releases' alone. */
export function overruledProblems({ brief, ledger }: Client): Problem[] {
  const released = ledger && lastRelease(ledger);
  if (!released || !brief) return [];
  return (["version", "build"] as const).flatMap((field) => {
    const asked = brief.data[field];
    if (asked === undefined || String(asked) === String(released[field])) return [];
    const message = `The brief's ${field} ${asked} is not taken: ${released[field]} was taken on ${released.on}.`;
    const place = brief.document.placeOf([field]);
    return [problem("version-overruled", message, { severity: "warning", place })];
  });
}

/** Tells of kept identifiers; once, where several platforms have one and the same. */
export function keptProblems(all: readonly Kept[]): Problem[] {
  const groups = new Map<string, { first: Kept; place: Place | undefined; platforms: string[] }>();
  for (const each of all) {
    const place = writtenAt(each.otherwise);
    const key = JSON.stringify([each.identifier, each.otherwise.value, place]);
    const group = groups.get(key) ?? { first: each, place, platforms: [] };
    groups.set(key, { ...group, platforms: [...group.platforms, platformNames[each.platform]] });
  }
  return [...groups.values()].map(({ first: { identifier, otherwise }, place, platforms }) =>
    problem(
      "identifier-held",
      `${platforms.join(", ")}: the app keeps the identifier "${identifier}", under which it is in use.`,
      { severity: "warning", expected: `brief and patterns would now give "${otherwise.value}"`, place },
    ),
  );
}
