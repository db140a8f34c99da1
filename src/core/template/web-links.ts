import { posix } from "node:path";
import type { Problem } from "../problems/problem.ts";
import { type HtmlElement, htmlAttribute } from "../splice/html.ts";
import type { Fill, PictureUse } from "./survey.ts";

/** What is found in the pages and the manifest of a web app. */
export interface WebFound {
  fills: Fill[];
  pictures: PictureUse[];
  brandFiles: string[];
  gaps: Problem[];
}

/** Whether an element links something of a relation, such as "manifest". */
export const linked = (element: HtmlElement, rel: string): boolean =>
  element.tagName === "link" &&
  (htmlAttribute(element, "rel") ?? "").toLowerCase().split(/\s+/).includes(rel);

/** A link of a page as a path within the template; undefined for what lies elsewhere. */
export function resolved(folder: string, file: string, href: string | undefined): string | undefined {
  if (!href || /^[a-z][a-z0-9+.-]*:|^\/\//i.test(href)) return undefined;
  const path = href.replace(/[?#].*$/, "");
  const joined = posix.normalize(
    path.startsWith("/") ? posix.join(folder, path) : posix.join(posix.dirname(file), path),
  );
  return joined.startsWith("..") ? undefined : joined;
}
