import { findNodeAtLocation } from "jsonc-parser";
import { jsonSite, parseJson } from "../splice/json.ts";
import { type Localize, nothingLocalized } from "./localized.ts";

/** A copy of the web manifest for each language, beside it: `shop.webmanifest` → `shop.fr.webmanifest`. */
export const localizeWeb: Localize = (template, part, names) => {
  const result = nothingLocalized();
  const manifests = new Set(
    part.fills
      .filter(({ holds, site }) => holds === "app.name" && site.form === "json")
      .map(({ site }) => site.file),
  );
  for (const file of manifests) {
    const root = parseJson(template.source(file));
    const first = root.children?.[0];
    if (!first) continue;
    for (const { locale, direction, name, label } of names) {
      const members = { name: name.value, short_name: label.value, lang: locale, dir: direction };
      const edits = Object.entries(members).map(([member, value]) => {
        const site = findNodeAtLocation(root, [member]) && jsonSite(file, root, [member]);
        if (site) return { start: site.start, end: site.end, text: JSON.stringify(value) };
        return { start: first.offset, end: first.offset, text: `"${member}": ${JSON.stringify(value)},\n  ` };
      });
      result.copies.push({ from: file, path: file.replace(/(\.[^./]+)$/, `.${locale}$1`), edits });
    }
  }
  return result;
};
