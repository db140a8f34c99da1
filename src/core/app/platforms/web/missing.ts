import { posix } from "node:path";
import { htmlAttribute } from "../../../formats/splice/formats/html.ts";
import { emptySite } from "../../../formats/splice/site.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { type Fill, type Found, insertedText, mergeFound } from "../../template/found.ts";
import type { MissingKinds, Wants } from "../../template/missing.ts";
import { manifestIcons, touchSide, webSlot } from "./catalog.ts";
import { linksAs, type Page, type WebFolders } from "./links.ts";
import { iconEntry, iconName, manifestFields } from "./manifest.ts";
import type { TouchLink } from "./start.ts";

/** What a page may lack of an app. */
export const webMissing = {
  "web-manifest": "a web manifest",
  "touch-icon": "a touch icon",
  "start-pictures": "start pictures for a home screen",
  "theme-color": "a theme colour",
  "dark-theme-color": "a theme colour for dark screens",
} as const satisfies MissingKinds;

type Kind = keyof typeof webMissing;

const manifestName = "app.webmanifest";
const touchName = "icons/touch.png";

/**
 * What a page's head lacks of an installable app, and the touch icon's link where one is added. @param hasManifest
 * the build makes one.
 */
export function missingInPage(
  site: WebFolders,
  page: Page,
  wants: Wants,
  hasManifest: boolean,
): { found: Found; touch?: TouchLink } {
  const { file, elements } = page;
  const source = site.template.source(file);
  const title = elements.find(({ tagName }) => tagName === "title")?.sourceCodeLocation;
  const head = elements.find(({ tagName }) => tagName === "head")?.sourceCodeLocation?.startTag;
  const at = title?.endOffset ?? head?.endOffset ?? 0;
  const line = /\r?\n[ \t]*$/.exec(source.text.slice(0, title?.startOffset ?? at))?.[0] ?? "\n";
  const has = (is: (element: Page["elements"][number]) => boolean) => elements.some(is);
  /** What goes in where a kind is lacking, and wanted. */
  const lacking = (kind: Kind, isLacking: boolean, added: () => Partial<Found>): Partial<Found> => {
    if (!isLacking) return {};
    const missing = [{ kind, added: wants(kind), place: placeAt(source, at) }];
    return mergeFound([{ missing }, wants(kind) ? added() : {}]);
  };
  const inserted = (opens: string) => insertedText(file, at, opens);

  const themes = elements.filter((each) => htmlAttribute(each, "name") === "theme-color");
  const [theme] = themes;
  const before = theme?.sourceCodeLocation?.startOffset;
  const dark = `<meta name="theme-color" media="${darkScreens}" content="`;
  const touch = {
    file,
    elements,
    href: hrefTo(site, touchName),
    after: at,
    line,
  };
  const lacksTouch = !has((each) => linksAs(each, "apple-touch-icon"));
  const found = mergeFound([
    // Of several that fit, a browser takes the first: the one for dark screens stands in front.
    lacking("dark-theme-color", themes.length < 2, () => ({
      fills: [
        before === undefined
          ? themeColor(file, at, "colors.brandDark", `${line}${dark}`, '">')
          : themeColor(file, before, "colors.brandDark", dark, `">${line}`),
      ],
    })),
    lacking("theme-color", !theme, () => ({
      fills: [themeColor(file, at, "colors.brand", `${line}<meta name="theme-color" content="`, '">')],
    })),
    lacking("web-manifest", !hasManifest && !has((each) => linksAs(each, "manifest")), () =>
      mergeFound([
        { fills: [inserted(`${line}<link rel="manifest" href="${hrefTo(site, manifestName)}">`)] },
        newManifest(pathOf(site, file, manifestName)),
      ]),
    ),
    lacking("touch-icon", lacksTouch, () => ({
      fills: [inserted(`${line}<link rel="apple-touch-icon" href="${touch.href}">`)],
      pictures: [{ slot: webSlot("touch", touchSide), path: pathOf(site, file, touchName) }],
    })),
  ]);
  return { found, ...(lacksTouch && wants("touch-icon") ? { touch } : {}) };
}

const darkScreens = "(prefers-color-scheme: dark)";

const themeColor = (file: string, at: number, holds: Fill["holds"], opens: string, closes: string): Fill => ({
  holds,
  site: emptySite(file, at, "html-attribute"),
  shape: "color",
  opens,
  closes,
});

/** A file that is served from the top, as a page beside it or one that a bundler moves there links it. */
const hrefTo = (site: WebFolders, name: string): string => (site.root === site.folder ? name : `/${name}`);

/** Where a file lies that a page links so: at the top of what is served, or beside the page. */
const pathOf = (site: WebFolders, page: string, name: string): string =>
  posix.join(site.root === site.folder ? posix.dirname(page) : site.root, name);

/** A manifest with its fields and icons. */
function newManifest(path: string): Partial<Found> {
  const fills: Fill[] = [];
  let text = "{\n";
  for (const [member, { holds, shape }] of Object.entries(manifestFields)) {
    text += `  "${member}": `;
    fills.push({ holds, site: emptySite(path, text.length, "json"), shape: shape ?? "text" });
    text += ",\n";
  }
  text += '  "start_url": ".",\n  "scope": ".",\n  "display": "standalone",\n  "icons": [\n';
  text += manifestIcons.map((slot) => `    ${iconEntry(slot, `icons/${iconName(slot)}`)}`).join(",\n");
  text += "\n  ]\n}\n";
  return {
    added: [{ path, text, fills }],
    pictures: manifestIcons.map((slot) => ({ slot, path: posix.join(posix.dirname(path), "icons", iconName(slot)) })),
  };
}
