import { attributeSite, find, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import { emptySite, type Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Problem } from "../../../ground/problems/problem.ts";
import { darkOf } from "../../../ground/values/fields.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { type AddedFile, type Fill, insertedText } from "../../template/found.ts";
import type { MissingKinds, Wants } from "../../template/missing.ts";
import { draw, type Followed, forNight, mergeFollowed, type Ways } from "./following.ts";
import { type AndroidResources, colorSites, type ResourceRef, readReference } from "./resources.ts";

/** What an app for Android may lack. */
export const androidMissing = {
  "application-id": "an application ID",
  "round-icon": "a round launcher icon",
  "adaptive-icon": "an adaptive launcher icon",
  "themed-icon": "a one-coloured layer for themed icons",
  "dark-start": "a start screen for the night",
  "night-colors": "a form for the night of a theme's colour",
} as const satisfies MissingKinds;

type Kind = keyof typeof androidMissing;

interface Known {
  template: Folder;
  resources: AndroidResources;
  found: Followed;
  ways: Ways;
  wants: Wants;
  manifest: { file: string; root: XmlElement };
  /** A value of the manifest, or what the build puts in its place. */
  behind(site: Site | undefined): { sites: Site[]; gaps: Problem[] };
}

/** What an app's manifest and resources lack, and what is added where the template wants it. */
export function missingIn(known: Known): Partial<Followed> {
  const { manifest, behind } = known;
  const application = find(manifest.root, "application");
  const iconSite = attributeSite(manifest.file, application, "android:icon");
  const [icon, round] = [iconSite, attributeSite(manifest.file, application, "android:roundIcon")].map(behind);
  const gaps = [...(icon?.gaps ?? []), ...(round?.gaps ?? [])];
  const ref = readReference(icon?.sites[0]?.value);
  if (!ref || !iconSite || !application) return { gaps };
  const icons = missingIcons(known, application, iconSite, ref, readReference(round?.sites[0]?.value));
  return mergeFollowed([{ gaps }, icons, missingNights(known)]);
}

/** Goes in where a kind is lacking, and wanted. */
const lacking = (
  { template, wants }: Known,
  kind: Kind,
  file: string,
  at: number,
  added: () => Partial<Followed>,
): Partial<Followed> => {
  const missing = [{ kind, added: wants(kind), place: placeAt(template.source(file), at) }];
  return mergeFollowed([{ missing }, wants(kind) ? added() : {}]);
};

/** The forms of a launcher icon that an app has not: adaptive, themed, round. */
function missingIcons(
  known: Known,
  application: XmlElement,
  iconSite: Site,
  icon: ResourceRef,
  round: ResourceRef | undefined,
): Partial<Followed> {
  const { template, resources, found, ways, wants, manifest } = known;
  const adaptive = (ref: ResourceRef) =>
    resources.files(ref).find((file) => file.endsWith(".xml") && resources.xml(file).name === "adaptive-icon");
  const own = adaptive(icon);
  const layers = { ground: `${icon.name}_ground`, front: `${icon.name}_front`, stencil: `${icon.name}_stencil` };
  const made = `<?xml version="1.0" encoding="utf-8"?>
<adaptive-icon xmlns:android="http://schemas.android.com/apk/res/android">
    <background android:drawable="@color/${layers.ground}"/>
    <foreground android:drawable="@${icon.type}/${layers.front}"/>
    <monochrome android:drawable="@${icon.type}/${layers.stencil}"/>
</adaptive-icon>
`;
  const stencil = () => draw(ways, "adaptive-monochrome", { type: icon.type, name: layers.stencil });
  const adaptiveFile = ({ type, name }: ResourceRef) => `${resources.main}/${type}-anydpi-v26/${name}.xml`;
  const isBitmap = resources.files(icon).length > 0 && !own;
  const makesAdaptive = isBitmap && wants("adaptive-icon");
  const ground = colorFile(`${resources.main}/values/${layers.ground}.xml`, [
    { name: layers.ground, holds: "colors.ground" },
  ]);
  const adaptiveIcon = isBitmap
    ? lacking(known, "adaptive-icon", manifest.file, iconSite.start, () => {
        const plain = [icon, ...(round ? [round] : [])].filter((ref) => !adaptive(ref));
        return mergeFollowed([
          { added: [...plain.map((ref) => ({ path: adaptiveFile(ref), text: made, fills: [] })), ground] },
          draw(ways, "adaptive-foreground", { type: icon.type, name: layers.front }),
          stencil(),
        ]);
      })
    : {};
  const layer = themedIcon(resources, own, layers.stencil, icon);
  const themed =
    own && layer
      ? lacking(known, "themed-icon", own, layer.site.start, () => mergeFollowed([{ fills: [layer] }, stencil()]))
      : {};
  const roundIcon = round
    ? {}
    : lacking(known, "round-icon", manifest.file, application.start, () => {
        const ref = { type: icon.type, name: `${icon.name}_round` };
        const attribute = `\n        android:roundIcon="@${ref.type}/${ref.name}"`;
        const fills = [...found.fills, ...(themed.fills ?? [])];
        const added = makesAdaptive
          ? [{ path: adaptiveFile(ref), text: made, fills: [] }]
          : own
            ? [copyOf(template, own, adaptiveFile(ref), fills)]
            : [];
        return mergeFollowed([
          { fills: [insertedText(manifest.file, iconSite.end + 1, attribute)], added },
          draw(ways, "launcher-round", ref),
        ]);
      });
  return mergeFollowed([adaptiveIcon, themed, roundIcon]);
}

/** Colours of the start screen and of themes that have no form for the night. */
function missingNights(known: Known): Partial<Followed> {
  const { resources, found, wants } = known;
  const starts = new Map(found.start);
  const [start, ...more] = onlyLight(resources, starts);
  const ofTheme = [...new Map(found.theme)].filter(
    ([name, { site }]) => !starts.has(name) && isOnlyLight(resources, site),
  );
  const [first] = ofTheme;
  const noted = mergeFollowed([
    start ? lacking(known, "dark-start", start[1].file, start[1].start, () => ({})) : {},
    first ? lacking(known, "night-colors", first[1].site.file, first[1].site.start, () => ({})) : {},
  ]);
  const nights = [
    ...(start && wants("dark-start")
      ? [start, ...more].map(([name]) => ({ name, holds: "colors.startDark" as const }))
      : []),
    ...(first && wants("night-colors") ? ofTheme.map(([name, { holds }]) => ({ name, holds: darkOf(holds) })) : []),
  ];
  const file = colorFile(`${resources.main}/values-night/night_colors.xml`, nights);
  return mergeFollowed([noted, { added: nights.length > 0 ? [file] : [] }]);
}

/** A layer behind the foreground of an adaptive icon that has none for themed icons (API 33). */
function themedIcon(
  resources: AndroidResources,
  file: string | undefined,
  name: string,
  icon: ResourceRef,
): Fill | undefined {
  if (!file || find(resources.xml(file), "monochrome")) return undefined;
  const at = find(resources.xml(file), "foreground")?.end;
  if (at === undefined) return undefined;
  return insertedText(file, at, `\n    <monochrome android:drawable="@${icon.type}/${name}"/>`);
}

/** A file of colours, each with its place. */
export function colorFile(path: string, colors: readonly { name: string; holds: Fill["holds"] }[]): AddedFile {
  let text = '<?xml version="1.0" encoding="utf-8"?>\n<resources>\n';
  const fills = colors.map(({ name, holds }): Fill => {
    text += `    <color name="${name}">`;
    const site = emptySite(path, text.length, "xml-text");
    text += "</color>\n";
    return { holds, site, shape: "text" };
  });
  return { path, text: `${text}</resources>\n`, fills };
}

/** A further file like one of the template, filled in the same places. */
const copyOf = (template: Folder, from: string, path: string, fills: readonly Fill[]): AddedFile => ({
  path,
  text: template.source(from).text,
  fills: fills
    .filter(({ site }) => site.file === from)
    .map((fill) => ({ ...fill, site: { ...fill.site, file: path } })),
});

/** Whether a colour is the same at night: neither it nor what it refers to has a value in a night folder. */
function isOnlyLight(resources: AndroidResources, site: Site): boolean {
  const colors = colorSites(resources, site);
  return colors.length > 0 && !colors.some(({ file }) => forNight(file));
}

const onlyLight = (resources: AndroidResources, starts: ReadonlyMap<string, Site>): [string, Site][] =>
  [...starts].filter(([, site]) => isOnlyLight(resources, site));
