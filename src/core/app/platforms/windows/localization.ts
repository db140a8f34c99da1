import { posix } from "node:path";
import { attributeOf, find, findAll, parseXml, textSite } from "../../../formats/splice/formats/xml.ts";
import { write } from "../../../formats/splice/forms.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import {
  insertion,
  type Localize,
  type Localized,
  mergeLocalized,
  nothingLocalized,
} from "../../template/localized.ts";

const head = `<?xml version="1.0" encoding="utf-8"?>
<root>
  <resheader name="resmimetype"><value>text/microsoft-resx</value></resheader>
  <resheader name="version"><value>2.0</value></resheader>
`;

/** The names in a resource file of each language, and the language in the manifest's list. */
export const localizeWindows: Localize = (template, part, names, main) => {
  const held = part.fills
    .filter(({ holds, site }) => (holds === "app.name" || holds === "app.label") && site.file.endsWith(".resw"))
    .map(({ holds, site }) => {
      const data = findAll(parseXml(template.source(site.file)), "data").find(
        (each) => find(each, "value")?.innerStart === site.start,
      );
      const [, before = "", language = "", file = ""] = /^(.*\/)?([^/]+)\/([^/]+)$/.exec(site.file) ?? [];
      return { holds, site, key: attributeOf(data, "name") ?? "", before, language, file };
    });
  const first = held[0];
  if (!first) {
    const message = "Windows: the manifest holds the names itself, so they are the same in every language.";
    return { ...nothingLocalized, gaps: [problem("template-gap", message, { severity: "warning" })] };
  }
  const spoken = [main, ...names].map(({ locale, name, label }): Partial<Localized> => {
    const nameFor = (holds: string) => (holds === "app.name" ? name.value : label.value);
    const there = held.filter(({ language }) => language.toLowerCase() === locale.toLowerCase());
    if (there.length > 0) return { values: there.map(({ site, holds }) => ({ site, value: nameFor(holds) })) };
    const keys = new Map(held.map(({ key, holds }) => [key, holds]));
    const data = [...keys].map(
      ([key, holds]) =>
        `  <data name="${key}" xml:space="preserve">\n    ` +
        `<value>${write("xml-text", nameFor(holds))}</value>\n  </data>\n`,
    );
    const path = `${first.before}${locale}/${first.file}`;
    return { writes: [{ path, text: `${head}${data.join("")}</root>\n` }] };
  });
  const inserts = listedLanguages(template, part, names, main);
  return mergeLocalized([...spoken, { inserts, values: usualLanguage(template, first.before, main.locale) }]);
};

const project = /\.(wapproj|csproj|vcxproj|vbproj)$/i;

/**
 * The language of a project that whoever speaks none of the others gets (MSBuild, DefaultLanguage): the app's main one,
 * whose texts are there by now. @param strings the folder of the languages' folders, with a slash at its end
 */
function usualLanguage(template: Folder, strings: string, main: string): Localized["values"] {
  const around = posix.dirname(strings || ".");
  const own = template.list().filter((file) => project.test(file) && (around === "." || file.startsWith(`${around}/`)));
  return own.flatMap((file) => {
    const root = orElse(
      attempt(() => parseXml(template.source(file))),
      undefined,
    );
    const site = root && textSite(file, findAll(root, "DefaultLanguage")[0]);
    return site && site.value !== main ? [{ site, value: main }] : [];
  });
}

/**
 * The languages that a manifest's list lacks. The first of the list is for whoever has none of the others (Microsoft,
 * Resources).
 */
function listedLanguages(...[template, part, names, main]: Parameters<Localize>): Localized["inserts"] {
  const manifest = part.fills.find(({ site }) => /\.appxmanifest$|AppxManifest\.xml$/i.test(site.file))?.site.file;
  const resources = manifest ? find(parseXml(template.source(manifest)), "Resources") : undefined;
  const [first, last] = [resources?.children[0], resources?.children.at(-1)];
  if (!manifest || !resources || !first || !last) return [];
  const listed = findAll(resources, "Resource").map((each) => attributeOf(each, "Language")?.toLowerCase());
  if (listed.includes("x-generate")) return [];
  const isListed = (locale: string) => listed.includes(locale.toLowerCase());
  const { text } = template.source(manifest);
  const indent = /(\r?\n[ \t]*)$/.exec(text.slice(0, last.start))?.[1] ?? " ";
  const own = isListed(main.locale) ? "" : `<${first.name} Language="${main.locale}" />${indent}`;
  const added = names
    .filter(({ locale }) => !isListed(locale))
    .map(({ locale }) => `${indent}<${last.name} Language="${locale}" />`)
    .join("");
  return [
    ...(own ? [insertion(manifest, first.start, own)] : []),
    ...(added ? [insertion(manifest, last.end, added)] : []),
  ];
}
