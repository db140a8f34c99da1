import type { Folder } from "../../files/reading/folder.ts";
import { attributeSite, find, type XmlElement } from "../../splice/formats/xml.ts";
import { emptySite, type Site } from "../../splice/site.ts";
import { type AddedFile, type Fill, insertedText, type Missing } from "../../template/found.ts";
import { darkOf } from "../../values/fields.ts";
import type { MissingKind, Wants } from "../../values/missing.ts";
import { placeAt } from "../../values/source.ts";
import { type followReferences, forNight } from "./references.ts";
import { type AndroidResources, colorSites, type ResourceRef, readReference } from "./resources.ts";

interface Known {
  template: Folder;
  resources: AndroidResources;
  survey: ReturnType<typeof followReferences>;
  wants: Wants;
  manifest: { file: string; root: XmlElement };
  /** A value of the manifest, or what the build puts in its place. */
  placed(site: Site | undefined): Site[];
}

/** Adds what an app's manifest and resources lack, where the template wants it added. */
export function addMissing({ template, resources, survey, wants, manifest, placed }: Known): {
  added: AddedFile[];
  missing: Missing[];
} {
  const added: AddedFile[] = [];
  const missing: Missing[] = [];
  /** Notes what is missing at a place; true where it is to be added. */
  const lacks = (kind: MissingKind, file: string, at: number): boolean => {
    missing.push({ kind, added: wants(kind), place: placeAt(template.source(file), at) });
    return wants(kind);
  };
  const application = find(manifest.root, "application");
  const iconSite = attributeSite(manifest.file, application, "android:icon");
  const icon = readReference(placed(iconSite)[0]?.value);
  const round = readReference(placed(attributeSite(manifest.file, application, "android:roundIcon"))[0]?.value);
  if (!icon || !iconSite || !application) return { added, missing };

  const adaptive = (ref: ResourceRef) =>
    resources.files(ref).find((file) => file.endsWith(".xml") && resources.xml(file).name === "adaptive-icon");
  const own = adaptive(icon);
  const layers = {
    ground: `${icon.name}_ground`,
    front: `${icon.name}_front`,
    stencil: `${icon.name}_stencil`,
  };
  const made = `<?xml version="1.0" encoding="utf-8"?>
<adaptive-icon xmlns:android="http://schemas.android.com/apk/res/android">
    <background android:drawable="@color/${layers.ground}"/>
    <foreground android:drawable="@${icon.type}/${layers.front}"/>
    <monochrome android:drawable="@${icon.type}/${layers.stencil}"/>
</adaptive-icon>
`;
  const isBitmap = resources.files(icon).length > 0 && !own;
  const makesAdaptive = isBitmap && lacks("adaptive-icon", manifest.file, iconSite.start);
  const adaptiveFile = ({ type, name }: ResourceRef) => `${resources.main}/${type}-anydpi-v26/${name}.xml`;
  if (makesAdaptive) {
    for (const ref of [icon, ...(round ? [round] : [])]) {
      if (!adaptive(ref)) added.push({ path: adaptiveFile(ref), text: made, fills: [] });
    }
    added.push(
      colorFile(`${resources.main}/values/${layers.ground}.xml`, [{ name: layers.ground, holds: "colors.ground" }]),
    );
    survey.draw("adaptive-foreground", { type: icon.type, name: layers.front });
    survey.draw("adaptive-monochrome", { type: icon.type, name: layers.stencil });
  }
  const themed = themedIcon(resources, own, layers.stencil, icon);
  if (own && themed && lacks("themed-icon", own, themed.site.start)) {
    survey.fills.push(themed);
    survey.draw("adaptive-monochrome", { type: icon.type, name: layers.stencil });
  }
  if (!round && lacks("round-icon", manifest.file, application.start)) {
    const ref = { type: icon.type, name: `${icon.name}_round` };
    const at = iconSite.end + 1;
    const attribute = `\n        android:roundIcon="@${ref.type}/${ref.name}"`;
    survey.fills.push(insertedText(manifest.file, at, attribute));
    survey.draw("launcher-round", ref);
    if (makesAdaptive) added.push({ path: adaptiveFile(ref), text: made, fills: [] });
    else if (own) added.push(copyOf(template, own, adaptiveFile(ref), survey.fills));
  }
  const nights: { name: string; holds: Fill["holds"] }[] = [];
  const [start, ...starts] = onlyLight(resources, survey.named.start);
  if (start && lacks("dark-start", start[1].file, start[1].start))
    nights.push(...[start, ...starts].map(([name]) => ({ name, holds: "colors.startDark" as const })));
  const ofTheme = [...survey.named.theme].filter(
    ([name, { site }]) => !survey.named.start.has(name) && isOnlyLight(resources, site),
  );
  const [first] = ofTheme;
  if (first && lacks("night-colors", first[1].site.file, first[1].site.start))
    nights.push(...ofTheme.map(([name, { holds }]) => ({ name, holds: darkOf(holds) })));
  if (nights.length > 0) added.push(colorFile(`${resources.main}/values-night/night_colors.xml`, nights));
  return { added, missing };
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
