import { posix } from "node:path";
import {
  attributeOf,
  attributeSite,
  find,
  findAll,
  parseXml,
  textSite,
  type XmlElement,
} from "../../../formats/splice/formats/xml.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import { hostFill, schemeFill } from "../../template/addresses.ts";
import type { Fill, PictureUse } from "../../template/found.ts";
import type { Shape } from "../../template/shapes.ts";
import { type PictureKind, settingsPicture } from "./pictures.ts";

/** A packaged page's own configuration (W3C, Packaged Web Apps), from which its native projects are made. */
export interface Widget {
  file: string;
  fills: Fill[];
  pictures: { platform: Platform; use: PictureUse }[];
}

/** What a preference holds, by its name in small letters. */
const preferences: Readonly<Record<string, { holds: Field; shape: Shape }>> = {
  backgroundcolor: { holds: "colors.page", shape: "hexNumber" },
  splashscreenbackgroundcolor: { holds: "colors.start", shape: "color" },
  androidwindowsplashscreenbackground: { holds: "colors.start", shape: "color" },
  androidwindowsplashscreeniconbackgroundcolor: { holds: "colors.ground", shape: "color" },
  statusbarbackgroundcolor: { holds: "colors.brand", shape: "color" },
  orientation: { holds: "orientation", shape: "managedOrientation" },
};

/** Reads every such configuration of a template, the one nearest the top first. */
export function widgets(template: Folder): Widget[] {
  return template
    .list()
    .filter((file) => /(^|\/)config\.xml$/.test(file) && !/(^|\/)(test|tests|node_modules|build)\//.test(file))
    .sort((a, b) => a.split("/").length - b.split("/").length)
    .flatMap((file) => {
      const root = rootOf(template, file);
      return root?.name === "widget" ? [readWidget(template, file, root)] : [];
    });
}

function rootOf(template: Folder, file: string): XmlElement | undefined {
  if (textIfAny(template.bytes(file)) === undefined) return undefined;
  return orElse(
    attempt(() => parseXml(template.source(file))),
    undefined,
  );
}

function readWidget(template: Folder, file: string, root: XmlElement): Widget {
  const fills: Fill[] = [];
  const fill = (holds: Field, site: Fill["site"] | undefined, shape: Shape = "text") => {
    if (site && site.value.trim() !== "" && !site.value.includes("$"))
      fills.push({ holds, site: trim(template, site), shape });
  };
  const id = attributeSite(file, root, "id");
  // Some systems know an app by an address, as the form has it first (W3C, Packaged Web Apps).
  if (id && /^[a-z]+:\/\//i.test(id.value)) fills.push(...hostFill(id));
  else fill("identifiers.base", id);
  fill("identifiers.android", attributeSite(file, root, "android-packageName"));
  fill("identifiers.ios", attributeSite(file, root, "ios-CFBundleIdentifier"));
  fill("version", attributeSite(file, root, "version"));
  fill("build", attributeSite(file, root, "android-versionCode"));
  fill("build", attributeSite(file, root, "ios-CFBundleVersion"));
  const name = find(root, "name");
  fill("app.name", textSite(file, name));
  fill("app.label", attributeSite(file, name, "short"));
  const author = find(root, "author");
  fill("owner", textSite(file, author));
  fill("email", attributeSite(file, author, "email"));
  const link = attributeSite(file, author, "href");
  if (link) fills.push(...hostFill(link));
  for (const element of findAll(root, "preference")) {
    const known = preferences[(attributeOf(element, "name") ?? "").toLowerCase()];
    const value = attributeSite(file, element, "value");
    if (known?.holds === "orientation" && value)
      fills.push({ holds: "orientation", site: value, shape: known.shape, optional: true });
    else if (known) fill(known.holds, value, known.shape);
    if (/^(scheme|url_scheme)$/i.test(attributeOf(element, "name") ?? "") && value) fills.push(...schemeFill(value));
  }
  for (const element of [...findAll(root, "host"), ...findAll(root, "universal-link")]) {
    const host = attributeSite(file, element, "name");
    if (host) fills.push(...hostFill(host));
  }
  return { file, fills, pictures: picturesOf(template, file, root) };
}

/** Blanks around a text stay. */
function trim(template: Folder, site: Fill["site"]): Fill["site"] {
  const written = template.source(site.file).text.slice(site.start, site.end);
  const [before] = /^\s*/.exec(written) ?? [""];
  const [after] = /\s*$/.exec(written) ?? [""];
  return before.length === written.length
    ? site
    : { ...site, start: site.start + before.length, end: site.end - after.length, value: site.value.trim() };
}

/** Attributes of elements that name a picture, and what it is; of a platform's own element, that platform's. */
const named: readonly { element: string; attribute: string; android: PictureKind; ios: PictureKind }[] = [
  { element: "icon", attribute: "src", android: "icon", ios: "icon" },
  { element: "icon", attribute: "foreground", android: "foreground", ios: "icon" },
  { element: "icon", attribute: "background", android: "background", ios: "icon" },
  { element: "icon", attribute: "monochrome", android: "monochrome", ios: "icon" },
  { element: "splash", attribute: "src", android: "start-full", ios: "start-full" },
];

function picturesOf(template: Folder, file: string, root: XmlElement): Widget["pictures"] {
  const within = (platform: Platform | undefined, below: XmlElement): Widget["pictures"] =>
    below.children.flatMap((element) => {
      if (element.name === "platform") {
        const own = attributeOf(element, "name");
        return within(own === "android" || own === "ios" ? own : undefined, element);
      }
      const inPreference =
        element.name === "preference" &&
        /splashscreen(animatedicon|brandingimage)/i.test(attributeOf(element, "name") ?? "")
          ? [{ path: attributeOf(element, "value"), kind: "start" as const }]
          : [];
      const inElement = named
        .filter((each) => each.element === element.name)
        .map((each) => ({
          path: attributeOf(element, each.attribute),
          kind: each[platform === "android" ? "android" : "ios"],
        }));
      return [...inPreference, ...inElement].flatMap(({ path, kind }) => {
        const at =
          path === undefined || /^[@#]/.test(path) ? undefined : posix.normalize(posix.join(posix.dirname(file), path));
        const use = at && !at.startsWith("..") ? settingsPicture(template, kind, at) : undefined;
        return use ? [{ platform: platform ?? "android", use }] : [];
      });
    });
  return within(undefined, root);
}
