import { extname } from "node:path";
import { getNodePath } from "jsonc-parser";
import { cssProperties, cssSite } from "../../formats/splice/formats/css.ts";
import { htmlAttribute, htmlElements, htmlTextSite } from "../../formats/splice/formats/html.ts";
import { jsonSite, nodeSite, parseJson, stringNodes } from "../../formats/splice/formats/json.ts";
import { type LineFormatName, lineSite, lineSites } from "../../formats/splice/formats/lines.ts";
import { stringsSite } from "../../formats/splice/formats/openstep.ts";
import { plistStrings } from "../../formats/splice/formats/plist.ts";
import { tomlSite } from "../../formats/splice/formats/toml.ts";
import { attributeOf, find, parseXml, textSite } from "../../formats/splice/formats/xml.ts";
import { yamlSite } from "../../formats/splice/formats/yaml.ts";
import { withoutBuildEnding, yamlFiles } from "../../formats/splice/known-ending.ts";
import type { Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { problem } from "../../ground/problems/problem.ts";
import { attempt, fail, orElse, type Result, succeed } from "../../ground/problems/result.ts";
import type { Place, Source } from "../../ground/values/source.ts";

/** Finds a place that template.yaml names, in the file's own form. */
type Locator = (file: string, source: Source, at: string) => Site | undefined;

const path = (at: string): (string | number)[] =>
  at.split(".").map((step) => (/^\d+$/.test(step) ? Number(step) : step));

const locators: Readonly<Record<string, { at: string; locate: Locator }>> = {
  ".json": {
    at: "a path, such as contact.email",
    locate: jsonPlace,
  },
  ".webmanifest": {
    at: "a path, such as description",
    locate: jsonPlace,
  },
  ".webapp": {
    at: "a path, such as description",
    locate: jsonPlace,
  },
  ".jsonc": {
    at: "a path, such as contact.email",
    locate: jsonPlace,
  },
  ".xcstrings": {
    at: "a path, such as strings.greeting.localizations.en.stringUnit.value",
    locate: jsonPlace,
  },
  ".yaml": {
    at: "a path, such as contact.email",
    locate: yamlPlace,
  },
  ".yml": {
    at: "a path, such as contact.email",
    locate: yamlPlace,
  },
  ".toml": { at: "a table and its key, such as versions.app", locate: tomlSite },
  ".properties": { at: "a key", locate: (file, source, at) => lineSite(file, source, "properties", at) },
  ".xcconfig": {
    at: "a build setting, such as PRODUCT_NAME",
    locate: (file, source, at) => lineSite(file, source, "xcconfig", at),
  },
  ".env": { at: "a variable", locate: (file, source, at) => lineSite(file, source, "env", at) },
  ".strings": { at: "a key", locate: stringsSite },
  ".html": { at: "an element's id, such as #shop-name", locate: htmlPlace },
  ".css": { at: "a custom property, such as --brand, or dark --brand", locate: cssSite },
  ".plist": { at: "a path of keys, such as ContactAddress", locate: plistPlace },
  ".entitlements": { at: "a path of keys", locate: plistPlace },
  ".resw": {
    at: "a name, such as Contact",
    locate: (file, source, at) => xmlPlace(file, source, `data/${at}`, true),
  },
  ".xml": {
    at: "an element and its name, such as string/about",
    locate: (file, source, at) => xmlPlace(file, source, at, false),
  },
};

/** A file's ending; .env has no name before it, and may have one behind it. */
const kindOf = (file: string): string =>
  /(^|\/)\.env(\.[\w-]+)?$/.test(file)
    ? ".env"
    : yamlFiles.test(file)
      ? ".yaml"
      : extname(withoutBuildEnding(file)).toLowerCase();

/** The site of a place that template.yaml names. */
export function namedPlace(
  folder: Folder,
  { file, at }: { file: string; at: string },
  line: (key: "file" | "at") => Place,
): Result<Site> {
  if (!folder.has(file))
    return fail(problem("file-missing", `${file} is not in the template.`, { place: line("file") }));
  const form = placeForm(file);
  if (!form) {
    const expected = `one of ${Object.keys(locators).join(", ")}`;
    return fail(problem("fill-not-found", `Oxalis cannot look into ${file}.`, { place: line("file"), expected }));
  }
  const site = locators[kindOf(file)]?.locate(file, folder.source(file), at);
  return site
    ? succeed(site)
    : fail(problem("fill-not-found", `${file} has nothing at "${at}".`, { place: line("at"), expected: form }));
}

/**
 * The site of a place by what it is named by; undefined where the file has no such place, or cannot be read as its
 * own form.
 */
export function namedSite(folder: Folder, file: string, at: string): Site | undefined {
  return orElse(
    attempt(() => locators[kindOf(file)]?.locate(file, folder.source(file), at)),
    undefined,
  );
}

/** What `at` may say for a file of this kind; undefined where Oxalis does not know the kind. */
const placeForm = (file: string): string | undefined => locators[kindOf(file)]?.at;

/** Every place of a file that template.yaml could name, with what it is named by. Of some kinds of files only. */
export function placesIn(template: Folder, file: string): { at: string; site: Site }[] {
  const list = listers[kindOf(file)];
  return orElse(
    attempt(() => list?.(file, template.source(file)) ?? []),
    [],
  );
}

type Lister = (file: string, source: Source) => { at: string; site: Site }[];

const listJson: Lister = (file, source) =>
  stringNodes(parseJson(source)).flatMap((node) => {
    const steps = getNodePath(node);
    const isPlain = steps.every((step) => typeof step === "number" || (/^[^.]+$/.test(step) && !/^\d+$/.test(step)));
    return isPlain ? [{ at: steps.join("."), site: nodeSite(file, node) }] : [];
  });

const listPlist: Lister = (file, source) =>
  plistStrings(file, source).map(({ path: steps, site }) => ({ at: steps.join("."), site }));

const listStrings: Lister = (file, source) =>
  parseXml(source).children.flatMap((element) => {
    const name = attributeOf(element, "name");
    const site = element.name === "string" && name ? xmlPlace(file, source, `string/${name}`, false) : undefined;
    return site ? [{ at: `string/${name}`, site }] : [];
  });

const listResources: Lister = (file, source) =>
  parseXml(source).children.flatMap((element) => {
    const name = attributeOf(element, "name") ?? "";
    const site = element.name === "data" ? xmlPlace(file, source, `data/${name}`, true) : undefined;
    return site ? [{ at: name, site }] : [];
  });

const listCss: Lister = (file, source) =>
  cssProperties(source).flatMap((name) =>
    [name, `dark ${name}`].flatMap((at) => {
      const site = cssSite(file, source, at);
      return site ? [{ at, site }] : [];
    }),
  );

const listHtml: Lister = (file, source) =>
  htmlElements(source).flatMap((element) => {
    const id = htmlAttribute(element, "id");
    const site = id ? htmlTextSite(file, element) : undefined;
    return id && site ? [{ at: `#${id}`, site }] : [];
  });

const listers: Readonly<Record<string, Lister>> = {
  ".json": listJson,
  ".webmanifest": listJson,
  ".webapp": listJson,
  ".jsonc": listJson,
  ".xcstrings": listJson,
  ".properties": lineLister("properties"),
  ".xcconfig": lineLister("xcconfig"),
  ".env": lineLister("env"),
  ".plist": listPlist,
  ".entitlements": listPlist,
  ".xml": listStrings,
  ".resw": listResources,
  ".html": listHtml,
  ".css": listCss,
};

function lineLister(format: LineFormatName): Lister {
  return (file, source) => lineSites(file, source, format).map(({ key, site }) => ({ at: key, site }));
}

function jsonPlace(file: string, source: Source, at: string): Site | undefined {
  return jsonSite(file, parseJson(source), path(at));
}

function yamlPlace(file: string, source: Source, at: string): Site | undefined {
  return yamlSite(file, source, path(at));
}

function htmlPlace(file: string, source: Source, at: string): Site | undefined {
  const element = htmlElements(source).find((each) => htmlAttribute(each, "id") === at.replace(/^#/, ""));
  return element && htmlTextSite(file, element);
}

function plistPlace(file: string, source: Source, at: string): Site | undefined {
  const wanted = path(at).join(".");
  return plistStrings(file, source).find((each) => each.path.join(".") === wanted)?.site;
}

function xmlPlace(file: string, source: Source, at: string, inValue: boolean): Site | undefined {
  const [type, name] = at.split("/");
  const root = parseXml(source);
  const element = root.children.find((each) => each.name === type && attributeOf(each, "name") === name);
  if (!element) return undefined;
  if (inValue) return textSite(file, find(element, "value"));
  return textSite(file, element, type === "string" ? "android-string" : "xml-text");
}
