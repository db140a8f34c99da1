import { posix } from "node:path";
import {
  attributeOf,
  attributeSite,
  findAll,
  parseXml,
  textSite,
  type XmlElement,
} from "../../../formats/splice/formats/xml.ts";
import type { Site } from "../../../formats/splice/site.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import type { Field } from "../../../ground/values/fields.ts";
import type { Platform } from "../../../ground/values/platform.ts";
import { hostFill } from "../../template/addresses.ts";
import type { Fill, PictureUse } from "../../template/found.ts";
import { type PictureKind, settingsPicture } from "./pictures.ts";

/** A place of a description: an element's text, or one of its attributes. */
interface DescribedPlace {
  element: string;
  attribute?: string;
  holds: Field | "host";
  /** How the value is written there; as a text where absent. */
  shape?: "color";
  /** Left as it is where the client gives no value. */
  optional?: true;
  /** Directly below the root alone: elements of the same name stand for other things deeper. */
  isTop?: true;
}

/** An app, or what goes into another program, that a file in XML describes. */
interface DescriptionKind {
  file: RegExp;
  root: string;
  /** An element that such a file has, and what stands in it. */
  where?: { element: string; is: string };
  /** Platforms of which it makes an app by itself. */
  makes: readonly Platform[];
  /** The element that says where the app itself lies: addresses elsewhere are somebody else's. */
  lies?: { element: string; attribute: string };
  places: readonly DescribedPlace[];
  /** Elements and attributes that name a picture by an address or a path. */
  pictures: readonly {
    element: string;
    attribute: string;
    kind: PictureKind;
    platform: Platform;
    /** What it is instead where the element has this attribute too. */
    beside?: { attribute: string; kind: PictureKind };
  }[];
  /** Pictures that go by their names beside it. */
  byName: readonly { path: string; kind: PictureKind; platform: Platform }[];
}

const kinds: readonly DescriptionKind[] = [
  {
    // An app whose native projects are made at each build.
    file: /^tiapp\.xml$/,
    root: "ti:app",
    makes: ["android", "ios"],
    places: [
      { element: "id", holds: "identifiers.base", isTop: true },
      { element: "name", holds: "app.name", isTop: true },
      { element: "version", holds: "version", isTop: true },
      { element: "publisher", holds: "owner", isTop: true },
      { element: "copyright", holds: "copyright", isTop: true },
      { element: "url", holds: "host", isTop: true },
      { element: "team-id", holds: "signing.team", optional: true },
      { element: "manifest", attribute: "android:versionCode", holds: "build" },
      { element: "default-background-color", holds: "colors.start", shape: "color" },
    ],
    pictures: [],
    byName: [
      { path: "DefaultIcon.png", kind: "icon", platform: "ios" },
      { path: "DefaultIcon-ios.png", kind: "icon", platform: "ios" },
      { path: "iTunesArtwork", kind: "icon", platform: "ios" },
    ],
  },
  {
    // Microsoft, .NET MAUI documentation, "single project": the native projects are made at each build.
    file: /\.csproj$/i,
    root: "Project",
    where: { element: "UseMaui", is: "true" },
    makes: ["android", "ios"],
    places: [
      { element: "ApplicationTitle", holds: "app.label" },
      { element: "ApplicationId", holds: "identifiers.base" },
      { element: "Product", holds: "app.name" },
      { element: "Company", holds: "owner" },
      { element: "Copyright", holds: "copyright" },
      { element: "ApplicationIdGuid", holds: "windows.phoneId" },
      { element: "ApplicationDisplayVersion", holds: "version" },
      { element: "ApplicationVersion", holds: "build" },
      { element: "MauiIcon", attribute: "Color", holds: "colors.ground", shape: "color" },
      { element: "MauiSplashScreen", attribute: "Color", holds: "colors.start", shape: "color" },
    ],
    pictures: [
      {
        ...{ element: "MauiIcon", attribute: "Include", kind: "icon", platform: "ios" },
        beside: { attribute: "ForegroundFile", kind: "background" },
      },
      { element: "MauiIcon", attribute: "ForegroundFile", kind: "foreground", platform: "android" },
      { element: "MauiSplashScreen", attribute: "Include", kind: "start", platform: "ios" },
    ],
    byName: [],
  },
  {
    // Microsoft, Office add-ins manifest (XML).
    file: /(^|\/)manifest[\w.-]*\.xml$/,
    root: "OfficeApp",
    makes: ["web"],
    lies: { element: "SourceLocation", attribute: "DefaultValue" },
    places: [
      { element: "Id", holds: "web.addInId", isTop: true },
      { element: "ProviderName", holds: "owner", isTop: true },
      { element: "DisplayName", attribute: "DefaultValue", holds: "app.name", isTop: true },
      { element: "SupportUrl", attribute: "DefaultValue", holds: "host" },
      { element: "IconUrl", attribute: "DefaultValue", holds: "host" },
      { element: "HighResolutionIconUrl", attribute: "DefaultValue", holds: "host" },
      { element: "SourceLocation", attribute: "DefaultValue", holds: "host" },
      { element: "AppDomain", holds: "host" },
      { element: "Image", attribute: "DefaultValue", holds: "host" },
      { element: "Url", attribute: "DefaultValue", holds: "host" },
    ],
    pictures: (["IconUrl", "HighResolutionIconUrl", "Image"] as const).map((element) => ({
      ...{ element, attribute: "DefaultValue", kind: "shell", platform: "web" },
    })),
    byName: [],
  },
];

/** What such a file holds, and of which platforms it makes an app. */
export interface Description {
  file: string;
  makes: readonly Platform[];
  fills: Fill[];
  pictures: { platform: Platform; use: PictureUse }[];
}

/** Folders whose files are no app's. */
const aside = /(^|\/)(test|tests|node_modules|build|docs|dist)\//;

/** Reads every description of a template. */
export function descriptions(template: Folder): Description[] {
  return template.list().flatMap((file) => {
    const kind = aside.test(file) ? undefined : kinds.find((each) => each.file.test(file));
    if (!kind || textIfAny(template.bytes(file)) === undefined) return [];
    const root = orElse(
      attempt(() => parseXml(template.source(file))),
      undefined,
    );
    const isKind =
      root?.name === kind.root && (!kind.where || findAll(root, kind.where.element).some(says(kind.where.is)));
    return root && isKind ? [described(template, file, root, kind)] : [];
  });
}

const says =
  (text: string) =>
  (element: XmlElement): boolean =>
    element.text.trim().toLowerCase() === text;

function described(template: Folder, file: string, root: XmlElement, kind: DescriptionKind): Description {
  const { lies } = kind;
  const at = lies && findAll(root, lies.element)[0];
  const own = at && lies && hostOf(attributeSite(file, at, lies.attribute)?.value ?? "");
  const fills = kind.places.flatMap(({ element, attribute, holds, isTop, shape, optional }) =>
    (isTop ? root.children.filter(({ name }) => name === element) : findAll(root, element)).flatMap((each): Fill[] => {
      const site = attribute === undefined ? textSite(file, each) : attributeSite(file, each, attribute);
      if (!site || isOpen(site)) return [];
      if (holds !== "host") return [{ holds, site, shape: shape ?? "text", ...(optional ? { optional } : {}) }];
      return own === undefined || hostOf(site.value) === own ? hostFill(site) : [];
    }),
  );
  const paths = kind.pictures.flatMap(({ element, attribute, kind: drawn, platform, beside }) =>
    findAll(root, element).flatMap((each) => {
      const site = attributeSite(file, each, attribute);
      const path = site && /\.(png|svg)$/i.test(site.value) ? localPath(template, file, site.value) : undefined;
      const isBeside = beside && attributeOf(each, beside.attribute) !== undefined;
      return path === undefined ? [] : [{ path, kind: isBeside ? beside.kind : drawn, platform }];
    }),
  );
  const besides = kind.byName
    .map((each) => ({ ...each, path: posix.join(posix.dirname(file), each.path) }))
    .filter(({ path }) => template.has(path));
  const pictures = [...paths, ...besides].flatMap(({ path, kind: drawn, platform }) => {
    const use = settingsPicture(template, drawn, path);
    return use ? [{ platform, use }] : [];
  });
  return { file, makes: kind.makes, fills, pictures };
}

const hostOf = (address: string): string | undefined => /^[a-z]+:\/\/([^/:]+)/i.exec(address)?.[1]?.toLowerCase();

/** Whether something is put in by the build, or nothing stands there. */
const isOpen = ({ value }: Site): boolean => value.trim() === "" || /\$[({]|\{\{|<%/.test(value);

/** Where a picture lies that an address names: below the description, or in a folder that is served from the top. */
function localPath(template: Folder, file: string, address: string): string | undefined {
  const path = address
    .replaceAll("\\", "/")
    .replace(/^[a-z]+:\/\/[^/]*\//i, "")
    .replace(/[?#].*$/, "");
  const beside = posix.join(posix.dirname(file), path);
  return [beside, ...["public", "static", "src"].map((folder) => posix.join(posix.dirname(file), folder, path))].find(
    (each) => template.has(each),
  );
}
