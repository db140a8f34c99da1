import type { BuildSteps } from "../../agency/workspace/schema/builds.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { fillPattern, readPattern } from "../../clients/derive/fields/pattern.ts";
import { unwrap } from "../../ground/problems/result.ts";
import { type System, systemFacts } from "../../ground/systems/system.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { Place } from "../../ground/values/source.ts";

/** What steps are given of the machine that they run on: what programs need, and what template.yaml passes on. */
export const ofMachine = (
  system: System,
  passes: readonly string[],
  machine: (name: string) => string | undefined,
): Record<string, string> =>
  Object.fromEntries(
    [...systemFacts[system].passes, ...passes].flatMap((name) => {
      const value = machine(name);
      return value === undefined ? [] : [[name, value]];
    }),
  );

/**
 * What steps are given besides that and secrets: what template.yaml gives, and what is built.
 * @param place of the patterns in template.yaml
 */
export function environmentOf(
  { environment }: BuildSteps,
  variant: Variant,
  platform: Platform,
  { stage, place }: { stage: string; place: Place },
): Record<string, string> {
  const field = (name: keyof Variant["values"]) => variant.values[name]?.value;
  const filled = Object.entries(environment).map(([name, text]) => [
    name,
    fillPattern(unwrap(readPattern(text, place)), field) ?? "",
  ]);
  return {
    CLIENT: variant.key,
    STAGE: stage,
    VERSION: field("version") ?? "",
    BUILD: field("build") ?? "",
    IDENTIFIER: field(`identifiers.${platform}`) ?? "",
    ...Object.fromEntries(filled),
  };
}
