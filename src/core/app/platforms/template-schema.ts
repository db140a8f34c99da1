import { templateSchemaOf } from "../../agency/workspace/schema/template.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
import { definitions, missingKinds } from "./all.ts";

/** What template.yaml may say, with what each platform lets it say. */
export const templateSchema = templateSchemaOf({
  declares: Object.fromEntries(platforms.map((each) => [each, definitions[each].declares])) as Record<
    Platform,
    readonly string[]
  >,
  missing: Object.keys(missingKinds),
});
