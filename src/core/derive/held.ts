import { type Problem, problem } from "../problems/problem.ts";
import type { Field } from "../values/fields.ts";
import { platformNames, platforms } from "../values/platform.ts";
import { type Traced, traced, withStep, writtenAt } from "../values/trail.ts";
import { type Ledger, lastRelease } from "../workspace/ledger.ts";

/** What the ledger holds of a field, over whatever brief and patterns say; `derived` unchanged where it holds nothing. */
export function held(
  field: Field,
  derived: Traced | undefined,
  ledger: Ledger | undefined,
  problems: Problem[],
): Traced | undefined {
  if (!ledger) return derived;
  const released = lastRelease(ledger);
  if (released && field === "version") return kept(derived, released.version, `released on ${released.on}`);
  if (released && field === "build")
    return kept(derived, String(released.build), `the last one used, on ${released.on}`);
  const platform = platforms.find((each) => field === `identifiers.${each}`);
  const identifier = platform && ledger.identifiers[platform];
  if (!platform || identifier?.state !== "fixed") return derived;
  if (derived && derived.value !== identifier.value) {
    const message = `${platformNames[platform]}: the app keeps the identifier "${identifier.value}", under which it is in use.`;
    const expected = `brief and patterns would now give "${derived.value}"`;
    problems.push(
      problem("identifier-held", message, { severity: "warning", expected, place: writtenAt(derived) }),
    );
  }
  return kept(derived, identifier.value, `kept: in use since ${identifier.since}`);
}

const kept = (derived: Traced | undefined, value: string, note: string): Traced =>
  derived ? withStep(derived, { by: "ledger", note, value }) : traced({ by: "ledger", note, value });

/** Tells once what several platforms have in common. */
export function toldOnce(problems: readonly Problem[]): Problem[] {
  const told = new Map<string, Problem>();
  for (const each of problems) {
    const [platform, rest] = each.code === "identifier-held" ? split(each.message) : ["", each.message];
    const key = JSON.stringify([each.code, rest, each.expected, each.place]);
    const before = told.get(key);
    if (before && platform)
      told.set(key, { ...before, message: before.message.replace(": ", `, ${platform}: `) });
    else told.set(platform ? key : `${key}${told.size}`, each);
  }
  return [...told.values()];
}

function split(message: string): [platform: string, rest: string] {
  const at = message.indexOf(": ");
  return [message.slice(0, at), message.slice(at + 2)];
}
