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

/** A file's path with the ending of the format that it has: as if no build put values in, and by how it begins. */
export function pathByFormat({ file, text }: Source): string {
  const plain = withoutBuildEnding(file);
  return plain.endsWith(".ts") && translations.test(text) ? `${plain}.xml` : plain;
}

/** Files that are XML, by their endings. */
const xmlFiles = longPattern("i")`
  \.(xml|plist|entitlements|svg|storyboard|xib|xaml|axaml|resw|resx|appxmanifest|wxs|wxi|wxl|ui|qrc|manifest
  |page|docbook|dbk|kcfg)$
`;

export const isXml = (path: string): boolean => xmlFiles.test(path);

/** Whether it holds texts of Android's resources, which have marks of their own (Android, "String resources"). */
export const isAndroidTexts = (path: string): boolean => /\/res\/values[^/]*\/[^/]+\.xml$/.test(path);
