import { posix } from "node:path";
import { type HtmlElement, htmlAttribute } from "../../../formats/splice/formats/html.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";

/** A page of a template, with its elements. */
export interface Page {
  file: string;
  elements: readonly HtmlElement[];
}

/** A web app's folders, and how its pages' links are followed. */
export interface WebFolders {
  template: Folder;
  /** Folder of the app. */
  folder: string;
  /** Folder whose files are served from the top: the app's own, or the one that a bundler copies as it is. */
  root: string;
  /** A link of a file as a path within the template; undefined for what lies elsewhere. */
  resolve(file: string, href: string | undefined): string | undefined;
}

/** Folders that bundlers serve from the top. */
const servedFolders = ["public", "static"];

/** Settings of bundlers that take what is to be served from the top out of the first of these folders. */
const bundler = /(^|\/)(vite|astro|nuxt|vue|rsbuild|farm)\.config\.[cm]?[jt]s$/;

export function openSite(template: Folder, folder: string): WebFolders {
  const below = (name: string) => (folder ? `${folder}/${name}` : name);
  const served = servedFolders.map(below).find((each) => template.list().some((file) => file.startsWith(`${each}/`)));
  const bundled = template.list().some((file) => posix.dirname(file) === (folder || ".") && bundler.test(file));
  const root = served ?? (bundled ? below("public") : folder);
  const inside = (path: string) => (path.startsWith("..") ? undefined : path);
  return {
    template,
    folder,
    root,
    resolve(file, href) {
      if (!href) return undefined;
      // What a bundler puts in front of a link stands for the top.
      const plain = href.replace(/^(?:%\w+%|<%[^%]*%>|\{\{[^}]*\}\})\/?/, "/").replace(/[?#].*$/, "");
      if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(plain)) return undefined;
      const fromTop = plain.startsWith("/");
      const path = plain.replace(/^\/+/, "");
      if (path === "") return undefined;
      const beside = inside(posix.normalize(posix.join(fromTop ? folder : posix.dirname(file), path)));
      const atTop = inside(posix.normalize(posix.join(root, path)));
      if (beside !== undefined && template.has(beside)) return beside;
      if (atTop !== undefined && (fromTop || template.has(atTop))) return atTop;
      return beside;
    },
  };
}

/** Whether an element links something of a relation, such as "manifest". */
export const linksAs = (element: HtmlElement, rel: string): boolean =>
  element.tagName === "link" && (htmlAttribute(element, "rel") ?? "").toLowerCase().split(/\s+/).includes(rel);

/** Whether an element of the head counts on dark screens alone. */
export const isForDark = (element: HtmlElement): boolean =>
  /prefers-color-scheme\s*:\s*dark/.test(htmlAttribute(element, "media") ?? "");
