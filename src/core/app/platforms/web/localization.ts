import { htmlAttribute, htmlElements } from "../../../formats/splice/formats/html.ts";
import { type Localize, nothingLocalized } from "../../template/localized.ts";

/**
 * The names in pages that say which language they are in. A web manifest has one language: a page cannot choose among
 * several without a program, so none is written for a further one.
 */
export const localizeWeb: Localize = (template, part, names) => {
  // A page that takes the client's first language has its names in that.
  const first = new Set(part.fills.filter(({ holds }) => holds === "locale").map(({ site }) => site.file));
  const values = part.fills.flatMap(({ site, holds }) => {
    if (
      (holds !== "app.name" && holds !== "app.label") ||
      !site.form.startsWith("html-") ||
      !template.has(site.file) ||
      first.has(site.file)
    )
      return [];
    const page = htmlElements(template.source(site.file)).find(({ tagName }) => tagName === "html");
    const said = page && htmlAttribute(page, "lang")?.toLowerCase();
    const own = names.find(({ locale }) => locale.toLowerCase() === said);
    return own ? [{ site, value: (holds === "app.name" ? own.name : own.label).value }] : [];
  });
  return { ...nothingLocalized, values };
};
