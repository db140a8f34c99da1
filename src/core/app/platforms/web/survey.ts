import { posix } from "node:path";
import { htmlAttribute, htmlElements } from "../../../formats/splice/formats/html.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { placeAt } from "../../../ground/values/source.ts";
import {
  type Fill,
  type Found,
  firstOfEachPlace,
  heldValues,
  mergeFound,
  nothingFound,
  type PartSurvey,
  type SurveyPart,
} from "../../template/found.ts";
import type { Wants } from "../../template/missing.ts";
import { ownAmong } from "../../template/of-others.ts";
import { pagesOfProgram } from "../../template/served.ts";
import { webInCode } from "./code.ts";
import { linksAs, openSite, type Page, type WebFolders } from "./links.ts";
import { missingInPage } from "./missing.ts";
import { servedIcons, surveyPages } from "./pages.ts";
import { startPictures, type TouchLink } from "./start.ts";

/** Every page of a template, with its elements. */
const pagesOf = (template: Folder): Page[] =>
  ownAmong(template.list())
    .filter((file) => /\.html?$/i.test(file) && textIfAny(template.bytes(file)) !== undefined)
    .map((file): Page => ({ file, elements: htmlElements(template.source(file)) }));

/** Pages that link a web manifest. */
const linking = (pages: readonly Page[]): Page[] =>
  pages.filter((page) => page.elements.some((element) => linksAs(element, "manifest")));

/**
 * Surveys the web app of a template: the pages that link a web manifest, or the one that a browser opens first, and
 * what code says of heads and manifests; undefined where there is none of them.
 */
export const surveyWeb: SurveyPart = (template, { wants, wrapsPages }) => {
  const all = pagesOf(template);
  const apps = linking(all);
  const isOfProgram = pagesOfProgram(template);
  const first = wrapsPages ? undefined : firstPage(all.filter(({ file }) => !isOfProgram(file)));
  const pages = apps.length > 0 ? apps : all.filter(({ file }) => file === first);
  const code = wrapsPages && apps.length === 0 ? undefined : webInCode(template);
  const folder = pages[0] ? folderOf(pages[0].file) : code?.folder;
  if (folder === undefined) return undefined;
  const site = openSite(template, folder);
  const told = surveyPages(site, pages);
  const isMixed = new Set(pages.map(languageOf)).size > 1;
  // What code makes is the whole of a head or a manifest: nothing can be put beside it in a file.
  const isMade = pages.length === 0 || code?.hasManifest === true;
  const found = mergeFound([
    { ...told, fills: isMixed ? told.fills.filter(isOfAllPages) : told.fills },
    ...pages.map((page) => completePage(site, page, wants, isMade)),
    { fills: code?.fills ?? [], pictures: [...(code?.pictures ?? []), ...servedIcons(site)] },
  ]);
  const isBare = pages.length === 0 && found.pictures.length === 0;
  const gaps = isBare ? [iconless(template, code?.fills[0])] : [];
  return partOf(template, site.folder, mergeFound([found, { gaps }]));
};

/** Where pages say several languages, each keeps its own; their manifest's is the client's. */
const isOfAllPages = ({ holds, site }: Fill): boolean => holds !== "locale" || site.form === "json";

/** What a page lacks of an installable app, and the start pictures behind its touch icon. */
function completePage(site: WebFolders, page: Page, wants: Wants, isMade: boolean): Partial<Found> {
  const { found, touch: added } = missingInPage(site, page, wants, isMade);
  const touch = touchLink(site.template, page) ?? added;
  if (!touch) return found;
  const place = placeAt(site.template.source(page.file), touch.after);
  const missing = [{ kind: "start-pictures", added: wants("start-pictures"), place }] as const;
  return mergeFound([found, { missing }, wants("start-pictures") ? startPictures(site, touch) : {}]);
}

function partOf(template: Folder, folder: string, found: Found): PartSurvey {
  const fills = firstOfEachPlace(found.fills);
  const icons = found.pictures.map((each) => each.path);
  return {
    ...found,
    platform: "web",
    folder,
    identifiers: heldValues(fills, "identifiers.web"),
    names: heldValues(fills, "app.name", "app.label"),
    fills,
    pictures: [...new Map(found.pictures.map((each) => [each.path, each])).values()],
    brandFiles: [...new Set([...found.brandFiles, ...icons.filter((path) => template.has(path))])].sort(),
  };
}

/**
 * What pages say that are shown within an app of another kind: names and icons, and nothing that only a browser
 * reads.
 */
export function wrappedPages(template: Folder): Pick<Found, "fills" | "pictures" | "brandFiles"> {
  const all = pagesOf(template).filter(({ file }) => /(^|\/)index\.html?$/i.test(file) && !besideWrapped.test(file));
  if (linking(all).length > 0) return nothingFound;
  const told = mergeFound(all.map((page) => surveyPages(openSite(template, folderOf(page.file)), [page])));
  const { fills, pictures, brandFiles } = partOf(template, "", told);
  return { fills, pictures, brandFiles };
}

function iconless(template: Folder, fill: Fill | undefined): Problem {
  const place = fill && placeAt(template.source(fill.site.file), fill.site.start);
  const message = "Web: no icon is named where the page's head is made.";
  return problem("template-gap", message, { severity: "warning", place });
}

/** Folders whose pages no wrapped app opens: built ones, those of native projects, and sources of Java packages. */
const besideWrapped = /(^|\/)(test|tests|docs|dist|out|android|ios|src\/(main\/java|com|org|net|io))\//;

/** Folders of a native app, whose pages are parts of it; and of what a program's help is made from. */
const withinApps = /(^|\/)(assets|res|src\/[a-z]+|test|tests|docs|help|manual|chm)\//i;

/** The page that a browser opens where no page says that it is an app: the index nearest the top. */
function firstPage(pages: readonly Page[]): string | undefined {
  return pages
    .map(({ file }) => file)
    .filter((file) => /(^|\/)index\.html?$/i.test(file) && !withinApps.test(file))
    .sort((a, b) => a.split("/").length - b.split("/").length)[0];
}

/** The app's folder: the page's, or the one above where a bundler serves the page from there. */
function folderOf(file: string): string {
  const folder = posix.dirname(file);
  const above = /^(?:(.*)\/)?(?:public|static|src)$/.exec(folder);
  return above ? (above[1] ?? "") : folder === "." ? "" : folder;
}

function touchLink(template: Folder, { file, elements }: Page): TouchLink | undefined {
  const touch = elements.find((element) => linksAs(element, "apple-touch-icon"));
  const location = touch?.sourceCodeLocation;
  if (!touch || !location) return undefined;
  const line = /\r?\n[ \t]*$/.exec(template.source(file).text.slice(0, location.startOffset))?.[0] ?? "\n";
  return { file, elements, href: htmlAttribute(touch, "href") ?? "", after: location.endOffset, line };
}

/** The language that a page says it is in. Where pages say several, each keeps its own. */
const languageOf = ({ elements }: Page): string | undefined => {
  const page = elements.find(({ tagName }) => tagName === "html");
  return page && htmlAttribute(page, "lang");
};
