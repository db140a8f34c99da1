import { stringify } from "yaml";
import { definitions } from "../../app/platforms/all.ts";
import type { Template } from "../../app/survey/template.ts";
import type { BuildFile } from "../../app/template/build-files.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { fillPattern, readPattern } from "../../clients/derive/fields/pattern.ts";
import { write } from "../../formats/splice/forms.ts";
import { problem } from "../../ground/problems/problem.ts";
import { stop, unwrap } from "../../ground/problems/result.ts";

/**
 * What a variant's builds need beside the project: how it is signed, without any secret, and what the running app
 * reads.
 */
export function buildFiles(variant: Variant, template: Template): BuildFile[] {
  const signed = template.parts.flatMap((part) => definitions[part.platform].buildFiles(variant, part));
  // A template that has such a file knows better.
  const lacking = signed.filter(({ path }) => !template.folder.has(path));
  return [...lacking, ...template.runtime.map((each) => runtimeFile(variant, each))];
}

/** One setting a line, in a format's own escaping. */
const lines = (form: "properties" | "env" | "xcconfig", between: string) => (values: Record<string, string>) =>
  Object.entries(values)
    .map(([key, value]) => `${key}${between}${write(form, value)}\n`)
    .join("");

const formats: Readonly<Record<string, (values: Record<string, string>) => string>> = {
  json: (values) => `${JSON.stringify(values, null, 2)}\n`,
  yaml: (values) => stringify(values),
  properties: lines("properties", "="),
  env: lines("env", "="),
  xcconfig: lines("xcconfig", " = "),
};

function runtimeFile(variant: Variant, { file, values, place }: Template["runtime"][number]): BuildFile {
  const filled: Record<string, string> = {};
  for (const [key, text] of Object.entries(values)) {
    const pattern = unwrap(readPattern(text, place));
    const value = fillPattern(pattern, (field) => variant.values[field]?.value);
    if (value === undefined)
      stop([problem("key-missing", `Nothing gives "${text}", which ${file} wants for ${key}.`, { place })]);
    filled[key] = value;
  }
  return { path: file, text: formats[file.split(".").at(-1) ?? ""]?.(filled) ?? "" };
}
