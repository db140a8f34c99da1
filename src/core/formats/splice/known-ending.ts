import { longPattern } from "../../ground/values/long-pattern.ts";
import type { Source } from "../../ground/values/source.ts";

/** What stands behind a file's own ending where a build puts values in: `Info.plist.in`, `app.desktop.in.in`. */
const filledByBuild = /(\.[\w-]+)\.(?:in|cmake|tmpl|tpl|template|mustache|hbs|ejs|erb|j2|jinja2?)$/i;

/** A file's path as if no build put values in: what its format is shows there. */
export function withoutBuildEnding(path: string): string {
  const plain = path.replace(filledByBuild, "$1");
  return plain === path ? path : withoutBuildEnding(plain);
}

/** How a file of translations begins that ends as a program's file does (Qt Linguist, "TS file format"). */
const translations = /^\uFEFF?\s*<(\?xml|!DOCTYPE TS\b|TS\b)/;

/** What the first line of a program without an ending says that it is written in (POSIX, "Shell Command Language"). */
const interpreters: readonly { line: RegExp; ending: string }[] = [
  { line: /^#![^\n]*\b(ba|da|k|z)?sh\b/, ending: ".sh" },
  { line: /^#![^\n]*\bpython/, ending: ".py" },
  { line: /^#![^\n]*\bperl\b/, ending: ".pl" },
];

/** A file's path with the ending of the format that it has: as if no build put values in, and by how it begins. */
export function pathByFormat({ file, text }: Source): string {
  const plain = withoutBuildEnding(file);
  if (plain.endsWith(".ts") && translations.test(text)) return `${plain}.xml`;
  const run = /(^|\/)[^/.]+$/.test(plain) ? interpreters.find(({ line }) => line.test(text)) : undefined;
  return run ? `${plain}${run.ending}` : plain;
}

/** Files that are XML, by their endings. */
const xmlFiles = longPattern("i")`
  \.(xml|plist|entitlements|svg|storyboard|xib|xaml|axaml|resw|resx|appxmanifest|wxs|wxi|wxl|ui|glade|qrc|manifest
  |xsd|rng|rdf|page|docbook|dbk|kcfg)$
`;

export const isXml = (path: string): boolean => xmlFiles.test(path);

/** Files that are YAML; a game engine's settings too (Unity manual, "YAML class ID reference"). */
export const yamlFiles = /\.ya?ml$|(^|\/)ProjectSettings\.asset$/;

/** Value resources of Android, whose texts have marks of their own (Android, "String resources"). */
export const androidValues = /(?:^|\/)(?:res|Resources)\/values[^/]*\/[^/]+\.xml$/;

export const isAndroidTexts = (path: string): boolean => androidValues.test(path);
