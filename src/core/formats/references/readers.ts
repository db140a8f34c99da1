import { posix } from "node:path";
import { findNodeAtLocation, type Node as JsonNode } from "jsonc-parser";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { htmlAttribute, htmlElements } from "../splice/formats/html.ts";
import { parseJson } from "../splice/formats/json.ts";
import { readResourceScript } from "../splice/formats/resource-script.ts";
import { attributeOf, parseXml, walk } from "../splice/formats/xml.ts";
import type { FileIndex, Reference } from "./reference.ts";

type Reader = (file: string, folder: Folder) => Reference[];

const beside = (file: string, name: string): string =>
  posix.normalize(posix.join(posix.dirname(file), name.replaceAll("\\", "/")));

/** A path from a file; none where it leads elsewhere. */
const pathReference = (
  from: string,
  name: string,
  paths: readonly string[],
  more: Partial<Reference> = {},
): Reference => ({
  from,
  name,
  finds: (files) => paths.filter((path) => files.has(path)),
  ...more,
});

/** Types of resources that are a file each (Android documentation, "App resources overview"); values are none. */
const fileTypes = "mipmap|drawable|xml|raw|layout|font|menu|anim|animator|navigation";
const resourceName = new RegExp(`@(?:\\+?[\\w.]+:)?(${fileTypes})/([\\w.]+)`, "g");
const resourceInCode = new RegExp(`\\bR\\.(${fileTypes})\\.(\\w+)`, "g");

const resources =
  (form: RegExp): Reader =>
  (file, folder) =>
    [...folder.source(file).text.matchAll(form)]
      .filter(([whole]) => !whole.startsWith("@android:"))
      .map(([name, type = "", resource = ""]) => ({
        from: file,
        name,
        finds: (files) => files.resource(type, resource),
      }));

const text = (node: JsonNode, ...path: (string | number)[]): string | undefined => {
  const value: unknown = findNodeAtLocation(node, path)?.value;
  return typeof value === "string" ? value : undefined;
};

/** An asset's pictures; those of an icon set have the size that their entry says, and the phone's no alpha channel. */
const assetContents: Reader = (file, folder) => {
  const isIcon = /\.appiconset\//.test(file);
  const images = findNodeAtLocation(parseJson(folder.source(file)), ["images"])?.children ?? [];
  return images.flatMap((image) => {
    const name = text(image, "filename");
    if (name === undefined) return [];
    const [width, height = width] = (text(image, "size") ?? "").split("x").map(Number);
    const scale = Number.parseInt(text(image, "scale") ?? "1x", 10);
    const isPhones =
      /^(iphone|ipad|ios-marketing)$/.test(text(image, "idiom") ?? "") ||
      (text(image, "idiom") === "universal" &&
        text(image, "platform") === "ios" &&
        !findNodeAtLocation(image, ["appearances"]));
    return [
      pathReference(file, name, [beside(file, name)], {
        ...(isIcon && width && height ? { width: Math.round(width * scale), height: Math.round(height * scale) } : {}),
        ...(isIcon && isPhones ? { opaque: true } : {}),
      }),
    ];
  });
};

const sized = (sizes: string | undefined): Partial<Reference> => {
  const [width, height] =
    /^(\d+)x(\d+)$/i
      .exec(sizes?.trim() ?? "")
      ?.slice(1)
      .map(Number) ?? [];
  return width && height ? { width, height } : {};
};

/** Where a link of a page may lie: beside it, at the top of its site, or in a folder that is served from there. */
function linked(file: string, href: string): string[] {
  const plain = href.replace(/[?#].*$/, "").replace(/^(?:%\w+%|<%[^%]*%>|\{\{[^}]*\}\})\/?/, "/");
  if (plain === "" || /^[a-z][a-z0-9+.-]*:|^\/\/|[{}]/i.test(plain)) return [];
  const folders = [posix.dirname(file)];
  while (folders.at(-1) !== "." && folders.length < 8) folders.push(posix.dirname(folders.at(-1) ?? "."));
  const tops = folders.flatMap((folder) => [folder, posix.join(folder, "public"), posix.join(folder, "static")]);
  const from = plain.startsWith("/") ? tops : [posix.dirname(file), ...tops];
  return [...new Set(from.map((top) => posix.normalize(posix.join(top, plain))))].filter(
    (path) => !path.startsWith(".."),
  );
}

const page: Reader = (file, folder) =>
  htmlElements(folder.source(file)).flatMap((element) => {
    const rel = htmlAttribute(element, "rel") ?? "";
    const href =
      element.tagName === "link"
        ? htmlAttribute(element, "href")
        : ["img", "script", "source"].includes(element.tagName)
          ? htmlAttribute(element, "src")
          : undefined;
    if (!href || /\b(canonical|alternate|preconnect|dns-prefetch)\b/.test(rel)) return [];
    const paths = linked(file, href);
    const more = /icon/.test(rel) && /\.png$/i.test(href) ? sized(htmlAttribute(element, "sizes")) : {};
    return paths.length > 0 ? [pathReference(file, href, paths, more)] : [];
  });

const webManifest: Reader = (file, folder) =>
  ["icons", "screenshots"].flatMap((list) =>
    (findNodeAtLocation(parseJson(folder.source(file)), [list])?.children ?? []).flatMap((entry) => {
      const src = text(entry, "src");
      const paths = src === undefined ? [] : linked(file, src);
      return src && paths.length > 0
        ? [pathReference(file, src, paths, /\.png$/i.test(src) ? sized(text(entry, "sizes")) : {})]
        : [];
    }),
  );

/** Attributes and elements of a package manifest that name a picture: the base, of which any scale will do. */
const packageManifest: Reader = (file, folder) =>
  [...walk(parseXml(folder.source(file)))].flatMap((element) => {
    const plain = element.name.replace(/^.*:/, "");
    const values = [
      ...[...element.attributes.values()].filter(({ name }) => /Logo$|^Image$/.test(name)).map(({ value }) => value),
      ...(plain === "Logo" ? [element.text.trim()] : []),
    ];
    return values
      .filter((value) => /\.(png|jpe?g)$/i.test(value) && !value.includes("$"))
      .map((name): Reference => {
        const path = beside(file, name);
        const ending = posix.extname(path);
        return { from: file, name, finds: (files) => files.qualified(path.slice(0, -ending.length), ending) };
      });
  });

const itemList: Reader = (file, folder) =>
  [...walk(parseXml(folder.source(file)))].flatMap((element) => {
    const name = attributeOf(element, "Include");
    return name && /\.(png|jpe?g|ico|appxmanifest|rc|resw)$/i.test(name) && !/[*?;$]/.test(name)
      ? [pathReference(file, name, [beside(file, name)])]
      : [];
  });

const resourceScript: Reader = (file, folder) =>
  readResourceScript(file, folder.source(file)).icons.map(({ path }) =>
    pathReference(file, path, [beside(file, path)]),
  );

/** Pictures of the storyboard's own catalog. */
const storyboard: Reader = (file, folder) =>
  [...walk(parseXml(folder.source(file)))].flatMap((element) => {
    const name = attributeOf(element, "image");
    const isSystems = attributeOf(element, "catalog") === "system";
    return name && !isSystems
      ? [{ from: file, name, finds: (files: FileIndex) => files.asset(`${name}.imageset`) }]
      : [];
  });

/** A path in quotes that leads to a picture, in settings or code. */
const quotedPath = /["'`]((?:\.{1,2}\/|\/)?[\w@.+~-]+(?:\/[\w@.+~-]+)*\.(?:png|jpe?g|ico|icns|svg|webp))["'`]/gi;

const quoted: Reader = (file, folder) =>
  [...folder.source(file).text.matchAll(quotedPath)].flatMap(([, name = ""]) => {
    const paths = linked(file, name);
    return paths.length > 0 ? [pathReference(file, name, paths)] : [];
  });

/** A key store that a build script signs with. */
const keyStore: Reader = (file, folder) =>
  [...folder.source(file).text.matchAll(/\bstoreFile\b[^\n]*?\bfile\(\s*["']([\w./-]+)["']\s*\)/g)].map(
    ([, name = ""]) => pathReference(file, name, [beside(file, name)]),
  );

/** Pictures of an icon in layers lie beside its description (Apple, Icon Composer). */
const layeredIcon: Reader = (file, folder) =>
  [...folder.source(file).text.matchAll(/"image-name"\s*:\s*"([^"]+)"/g)].map(([, name = ""]) =>
    pathReference(file, name, [beside(file, `Assets/${name}`)]),
  );

/** Each form of file that names others, and how. */
export const readers: readonly { file: RegExp; read: Reader }[] = [
  { file: /\.icon\/icon\.json$/, read: layeredIcon },
  {
    file: /(?:^|\/)(?:res\/|Resources\/(?:drawable|layout|values|xml))[^/]*\/[^/]+\.xml$|AndroidManifest\.xml$/,
    read: resources(resourceName),
  },
  { file: /\.(kt|java)$/, read: resources(resourceInCode) },
  { file: /\.(appiconset|imageset)\/Contents\.json$/, read: assetContents },
  { file: /\.html?$/i, read: page },
  { file: /\.webmanifest$|(^|\/)manifest\.json$/, read: webManifest },
  { file: /\.appxmanifest$|(^|\/)AppxManifest\.xml$/i, read: packageManifest },
  { file: /\.(wapproj|csproj|vcxproj|vbproj)$/i, read: itemList },
  { file: /\.rc$/i, read: resourceScript },
  { file: /\.(storyboard|xib)$/, read: storyboard },
  { file: /\.gradle(\.kts)?$/, read: keyStore },
  {
    file: /(?<!\.icon\/icon|set\/Contents)\.(json|ya?ml|[cm]?[jt]s|[jt]sx|vue|svelte|css|scss|dart)$/,
    read: quoted,
  },
];
