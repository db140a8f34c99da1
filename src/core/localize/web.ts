import { htmlAttribute, htmlElements } from "../splice/html.ts";
import { type Localize, nothingLocalized } from "./localized.ts";

/**
 * The names in pages that say which language they are in. A web manifest has one language: a page cannot choose among
 * several without a program, so none is written for a further one.
 */
export const localizeWeb: Localize = (template, part, names) => {
  const result = nothingLocalized();
  // A page that takes the client's first language has its names in that.
  const first = new Set(part.fills.filter(({ holds }) => holds === "locale").map(({ site }) => site.file));
  for (const { site, holds } of part.fills) {
    if (
      (holds !== "app.name" && holds !== "app.label") ||
      !site.form.startsWith("html-") ||
      !template.has(site.file) ||
      first.has(site.file)
    )
      continue;
    const page = htmlElements(template.source(site.file)).find(({ tagName }) => tagName === "html");
    const said = page && htmlAttribute(page, "lang")?.toLowerCase();
    const own = names.find(({ locale }) => locale.toLowerCase() === said);
    if (own) result.values.push({ site, value: (holds === "app.name" ? own.name : own.label).value });
  }
  return result;
};
