import { problem } from "../problems/problem.ts";
import { write } from "../splice/forms.ts";
import { attributeOf, find, findAll, parseXml } from "../splice/xml.ts";
import { insertion, type Localize, nothingLocalized } from "./localized.ts";

const head = `<?xml version="1.0" encoding="utf-8"?>
<root>
  <resheader name="resmimetype"><value>text/microsoft-resx</value></resheader>
  <resheader name="version"><value>2.0</value></resheader>
`;

/** The names in a resource file of each language, and the language in the manifest's list. */
export const localizeWindows: Localize = (template, part, names, main) => {
  const result = nothingLocalized();
  const held = part.fills
    .filter(
      ({ holds, site }) => (holds === "app.name" || holds === "app.label") && site.file.endsWith(".resw"),
    )
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
    result.gaps.push(problem("template-gap", message, { severity: "warning" }));
    return result;
  }
  for (const { locale, name, label } of [main, ...names]) {
    const nameFor = (holds: string) => (holds === "app.name" ? name.value : label.value);
    const there = held.filter(({ language }) => language.toLowerCase() === locale.toLowerCase());
    result.values.push(...there.map(({ site, holds }) => ({ site, value: nameFor(holds) })));
    if (there.length > 0) continue;
    const keys = new Map(held.map(({ key, holds }) => [key, holds]));
    const data = [...keys].map(
      ([key, holds]) =>
        `  <data name="${key}" xml:space="preserve">\n    <value>${write("xml-text", nameFor(holds))}</value>\n  </data>\n`,
    );
    result.writes.push({
      path: `${first.before}${locale}/${first.file}`,
      text: `${head}${data.join("")}</root>\n`,
    });
  }
  const manifest = part.fills.find(({ site }) => /\.appxmanifest$|AppxManifest\.xml$/i.test(site.file))?.site
    .file;
  const resources = manifest ? find(parseXml(template.source(manifest)), "Resources") : undefined;
  const listed = resources
    ? findAll(resources, "Resource").map((each) => attributeOf(each, "Language")?.toLowerCase())
    : [];
  const last = resources?.children.at(-1);
  if (manifest && last && !listed.includes("x-generate")) {
    const text = template.source(manifest).text;
    const indent = /(\r?\n[ \t]*)$/.exec(text.slice(0, last.start))?.[1] ?? " ";
    // The first of them is for whoever has none of the others (Microsoft, package manifest schema, Resources).
    const first = resources?.children[0];
    if (first && listed[0] !== main.locale.toLowerCase() && !listed.includes(main.locale.toLowerCase()))
      result.inserts.push(
        insertion(manifest, first.start, `<${first.name} Language="${main.locale}" />${indent}`),
      );
    const missing = names.filter(({ locale }) => !listed.includes(locale.toLowerCase()));
    const added = missing.map(({ locale }) => `${indent}<${last.name} Language="${locale}" />`).join("");
    if (added) result.inserts.push(insertion(manifest, last.end, added));
  }
  return result;
};
