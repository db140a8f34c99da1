import type { BuildSteps } from "../../agency/workspace/schema/builds.ts";
import type { Template } from "../../app/survey/template.ts";
import type { Values, Variant } from "../../app/variant/variant.ts";
import { fingerprint } from "../../ground/values/hash.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { trace } from "../../ground/values/trail.ts";
import { planVariant } from "../plan/plan.ts";

/** A number that no build has: what differs by its number alone is the same. */
const noNumber = { build: "0", "windows.version": "0.0.0.0" } as const;

/**
 * A sum over all that a platform's package is made from, and by which commands, but for its number: other platforms'
 * parts do not count.
 */
export function contentSums(
  variant: Variant,
  template: Template,
  builds: Readonly<Partial<Record<Platform, BuildSteps>>>,
): (platform: Platform) => string {
  const values: Values = { ...variant.values };
  for (const [field, value] of Object.entries(noNumber))
    values[field as keyof typeof noNumber] = trace({ by: "rule", note: "left out of account", value });
  const { entries } = planVariant({ ...variant, values }, template, "tree");
  // Another version is another release, whether or not anything of it shows.
  const version = variant.values.version?.value ?? "";
  return (platform) => {
    const own = template.parts.find((part) => part.platform === platform)?.folder ?? "";
    const others = template.parts.map(({ folder }) => folder).filter((folder) => folder !== "" && folder !== own);
    const counts = (path: string) => !others.some((folder) => path.startsWith(`${folder}/`) && !own.startsWith(folder));
    const made = entries.filter(({ path }) => counts(path)).map((each) => [each.path, each.fingerprint]);
    const { steps = [], gives = {} } = builds[platform] ?? {};
    const commands = steps.map((each) => [each.run, each.in ?? ""]);
    return fingerprint({ version, made, commands, gives });
  };
}
