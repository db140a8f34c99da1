import type { Folder } from "../files/folder.ts";
import { placeAt } from "../files/source.ts";
import { refuse } from "../problems/problem.ts";
import type { Site } from "../splice/site.ts";
import { attributeOf, findAll, parseXml, textSite, type XmlElement } from "../splice/xml.ts";
import { escapeRegExp } from "../values/regexp.ts";

/** A reference such as @mipmap/crate_lid. */
export interface ResourceRef {
  type: string;
  name: string;
}

/** A value resource: its element, and the file that holds it. */
export interface ValueResource {
  type: string;
  name: string;
  file: string;
  element: XmlElement;
}

/** The resources of an Android module, looked up the way its own build does. */
export interface AndroidResources {
  /** Folder of the main source set's resources. */
  main: string;
  values(ref: ResourceRef): ValueResource[];
  /** Files of a drawable, mipmap, layout …, in every qualifier. */
  files(ref: ResourceRef): string[];
  xml(file: string): XmlElement;
}

export function readReference(text: string | undefined): ResourceRef | undefined {
  const match = /^@(?:\+?[\w.]+:)?(\w+)\/([\w.]+)$/.exec(text?.trim() ?? "");
  return match?.[1] && match[2] && !text?.startsWith("@android:")
    ? { type: match[1], name: match[2] }
    : undefined;
}

/** Opens the resources below a module's src/<source set>/res folders. */
export function openAndroidResources(template: Folder, module: string): AndroidResources {
  const prefix = module ? `${module}/` : "";
  const inRes = new RegExp(`^${escapeRegExp(prefix)}src/[^/]+/res/([^/]+)/[^/]+$`);
  const files = template.list().filter((file) => inRes.test(file));
  const parsed = new Map<string, XmlElement>();
  let values: ValueResource[] | undefined;

  const xml = (file: string) => {
    let root = parsed.get(file);
    if (!root) {
      root = parseXml(template.source(file));
      parsed.set(file, root);
    }
    return root;
  };
  const allValues = () =>
    files
      .filter((file) => /\/res\/values[^/]*\/[^/]+\.xml$/.test(file))
      .flatMap((file) =>
        xml(file).children.flatMap((element) => {
          const name = attributeOf(element, "name");
          const type = element.name === "item" ? attributeOf(element, "type") : element.name;
          return name && type ? [{ type, name, file, element }] : [];
        }),
      );

  return {
    main: `${prefix}src/main/res`,
    xml,
    values({ type, name }) {
      values ??= allValues();
      return values.filter((each) => each.type === type && sameName(each.name, name));
    },
    files({ type, name }) {
      const form = new RegExp(`/res/${type}(-[^/]+)?/${escapeRegExp(name)}(\\.9)?\\.(xml|png|webp|jpg)$`);
      return files.filter((file) => form.test(file));
    },
  };
}

/** A style's full stops and a reference's underscores mean the same. */
const sameName = (a: string, b: string): boolean =>
  a === b || a.replace(/[.]/g, "_") === b.replace(/[.]/g, "_");

/** Deepest chain of references followed: colour to colour, style to parent. */
const longestChain = 12;

/** Every place where the colour behind a reference, or a literal colour, is written down. */
export function colorSites(resources: AndroidResources, site: Site | undefined, depth = 0): Site[] {
  if (!site) return [];
  const text = site.value.trim();
  if (/^#([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(text)) return [{ ...site, value: text }];
  const ref = readReference(text);
  if (ref?.type !== "color" || depth > longestChain) return [];
  return resources
    .values(ref)
    .flatMap(({ file, element }) => colorSites(resources, textSite(file, element), depth + 1));
}

/** The items of a style, its parents' and its other definitions' (night, v31) included. */
export function styleItems(
  resources: AndroidResources,
  ref: ResourceRef,
  seen = new Set<string>(),
): { name: string; site: Site }[] {
  if (seen.has(ref.name) || seen.size > longestChain) return [];
  seen.add(ref.name);
  return resources.values(ref).flatMap(({ file, element, name }) => {
    const own = findAll(element, "item").flatMap((item) => {
      const site = textSite(file, item);
      const key = attributeOf(item, "name");
      return site && key ? [{ name: key.replace(/^android:/, ""), site }] : [];
    });
    const after = own.find((item) => item.name === "postSplashScreenTheme");
    const parents = [attributeOf(element, "parent") ?? name.replace(/\.[^.]+$/, ""), after?.site.value ?? ""];
    const inherited = parents
      .map((parent) => parent.replace(/^@?(style\/)?/, ""))
      .filter((parent) => parent && !parent.includes(":"))
      .flatMap((parent) => styleItems(resources, { type: "style", name: parent }, seen));
    return [...own, ...inherited];
  });
}

/** A manifest that names a resource which is nowhere would only fail later, in the build. */
export function refuseDangling(template: Folder, file: string, site: Site, what: string): never {
  refuse("template-syntax", `The ${what} ${site.value} is nowhere in the template's resources.`, {
    place: placeAt(template.source(file), site.start),
  });
}
