import type { Field } from "../../ground/values/fields.ts";
import type { Variant } from "./variant.ts";

/** Names of a client's environment variables begin with this. */
export const signingPrefix = (key: string): string => `SIGNING_${key.toUpperCase().replaceAll("-", "_")}`;

/** A target as its profile is looked for: by its name, where it is not the app's own, and by its identifier. */
interface Target {
  target?: string | undefined;
  holds: Field;
  suffix: string;
}

/** The profile that a target is signed with: the one that the brief names, or the one that is kept for it. */
export function profileOf({ values, profiles, kept }: Variant, signs: Target | undefined): string | undefined {
  const app = values["signing.profile"]?.value;
  if (!signs) return app;
  const named = signs.target === undefined ? app : profiles[signs.target];
  const identifier = values[signs.holds]?.value;
  return named ?? (identifier === undefined ? undefined : kept[`${identifier}${signs.suffix}`]);
}
