import { manifestIcons, touchSide, webSlot } from "../catalog/web.ts";
import { placeAt } from "../files/source.ts";
import { htmlAttribute } from "../splice/html.ts";
import { emptySite } from "../splice/site.ts";
import type { MissingKind, Wants } from "../values/missing.ts";
import { type Fill, insertedText, noting } from "./survey.ts";
import { linked, type Page, type Site, type WebFound } from "./web-links.ts";
import { iconEntry, iconName, manifestFields } from "./web-manifest.ts";
import type { TouchLink } from "./web-start.ts";

const manifestName = "app.webmanifest";

/** Adds to a page's head what it lacks of an installable app; gives the touch icon's link where it adds one. @param hasManifest the build makes one. */
export function addMissing(
  site: Site,
  page: Page,
  wants: Wants,
  found: WebFound,
  hasManifest = false,
): TouchLink | undefined {
  const { file, elements } = page;
  const source = site.template.source(file);
  const title = elements.find(({ tagName }) => tagName === "title")?.sourceCodeLocation;
  const head = elements.find(({ tagName }) => tagName === "head")?.sourceCodeLocation?.startTag;
  const at = title?.endOffset ?? head?.endOffset ?? 0;
  const line = /\r?\n[ \t]*$/.exec(source.text.slice(0, title?.startOffset ?? at))?.[0] ?? "\n";
  const has = (is: (element: Page["elements"][number]) => boolean) => elements.some(is);
  const noted = noting(found.missing, wants);
  const lacks = (kind: MissingKind) => noted(kind, placeAt(source, at));
  const insert = (opens: string) => found.fills.push(insertedText(file, at, opens));

  const themes = elements.filter((each) => htmlAttribute(each, "name") === "theme-color");
  const [theme] = themes;
  const before = theme?.sourceCodeLocation?.startOffset;
  // Of several that fit, a browser takes the first: the one for dark screens stands in front.
  if (themes.length < 2 && lacks("dark-theme-color"))
    found.fills.push(
      before === undefined
        ? themeColor(
            file,
            at,
            "colors.brandDark",
            `${line}<meta name="theme-color" media="${darkScreens}" content="`,
            '">',
          )
        : themeColor(
            file,
            before,
            "colors.brandDark",
            `<meta name="theme-color" media="${darkScreens}" content="`,
            `">${line}`,
          ),
    );
  if (!theme && lacks("theme-color"))
    found.fills.push(themeColor(file, at, "colors.brand", `${line}<meta name="theme-color" content="`, '">'));
  if (!hasManifest && !has((each) => linked(each, "manifest")) && lacks("web-manifest")) {
    insert(`${line}<link rel="manifest" href="${hrefTo(site, manifestName)}">`);
    addManifest(site, found);
  }
  if (has((each) => linked(each, "apple-touch-icon")) || !lacks("touch-icon")) return undefined;
  const href = hrefTo(site, "icons/touch.png");
  insert(`${line}<link rel="apple-touch-icon" href="${href}">`);
  const path = `${site.root ? `${site.root}/` : ""}icons/touch.png`;
  found.pictures.push({ slot: webSlot("touch", touchSide), path });
  return { file, elements, href, after: at, line };
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
const hrefTo = (site: Site, name: string): string => (site.root === site.folder ? name : `/${name}`);

/** A manifest with its fields and icons, served from the top. */
function addManifest(site: Site, found: WebFound): void {
  const below = site.root ? `${site.root}/` : "";
  const path = `${below}${manifestName}`;
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
  found.added.push({ path, text, fills });
  for (const slot of manifestIcons) found.pictures.push({ slot, path: `${below}icons/${iconName(slot)}` });
}
