import { isError, stoppedPlatforms } from "../../ground/problems/problem.ts";
import { fail, type Result, succeed } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { fieldOf, type Resolved, type Variant } from "../variant/variant.ts";
import { chooseParts } from "./parts.ts";
import type { Template } from "./template.ts";

/** Templates as clients have them; many have the same. */
const known = new WeakMap<Template, Map<string, Template>>();

/**
 * The template as a client's variant has it: without the parts of platforms that the client does not want or that an
 * error stops, and with pictures of stores in its language. Fails where an error stops all of it, or a part that goes
 * along.
 */
export function templateFor(
  template: Template,
  { variant, problems }: Pick<Resolved, "variant" | "problems">,
): Result<{ variant: Variant; template: Template }> {
  if (!variant) return fail(...problems.filter(isError));
  const own = narrowed(template, variant);
  const isFilled = (platform: Platform) =>
    own.parts.some(
      (part) => part.platform === platform || part.fills.some(({ holds }) => holds === `identifiers.${platform}`),
    );
  return stoppedPlatforms(problems).some(isFilled)
    ? fail(...problems.filter(isError))
    : succeed({ variant, template: own });
}

function narrowed(template: Template, variant: Variant): Template {
  const ofTemplate = known.get(template) ?? new Map<string, Template>();
  known.set(template, ofTemplate);
  const locale = fieldOf(variant, "locale");
  const key = [locale, ...variant.platforms].join(" ");
  const own = ofTemplate.get(key) ?? inLocale(narrow(template, variant.platforms), locale);
  ofTemplate.set(key, own);
  return own;
}

function narrow(template: Template, platforms: readonly Platform[]): Template {
  const { parts, isLeft } = chooseParts(template.parts, platforms);
  if (parts.length === template.parts.length) return template;
  const isOut = (file: string) => template.isLeft(file) || isLeft(file);
  return { ...template, parts, files: template.files.filter((file) => !isOut(file)), isLeft: isOut };
}

/** With the pictures of stores where those of the client's first language lie. */
function inLocale(template: Template, locale: string): Template {
  const parts = template.parts.map((part) => ({
    ...part,
    pictures: part.pictures.map((use) => ({ ...use, path: use.path.replace("{locale}", locale) })),
  }));
  return { ...template, parts };
}
