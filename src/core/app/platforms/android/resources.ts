import { literalSite } from "../../../formats/splice/formats/gradle.ts";
import { attributeOf, findAll, parseXml, textSite, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import type { Form } from "../../../formats/splice/forms.ts";
import { androidValues } from "../../../formats/splice/known-ending.ts";
import type { Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../../ground/problems/problem.ts";
import { attempt } from "../../../ground/problems/result.ts";
import { escapeRegExp } from "../../../ground/values/regexp.ts";
import { placeAt } from "../../../ground/values/source.ts";
import type { AppModule } from "./gradle-project.ts";

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
  /** Where the build itself writes a value resource. */
  built(ref: ResourceRef): Site[];
  /** Files of a drawable, mipmap, layout …, in every qualifier. */
  files(ref: ResourceRef): string[];
  /** A resource that is no well-formed XML is empty, and told under `unread`. */
  xml(file: string): XmlElement;
  unread(): readonly Problem[];
}

export function readReference(text: string | undefined): ResourceRef | undefined {
  const match = /^@(?:\+?[\w.]+:)?(\w+)\/([\w.]+)$/.exec(text?.trim() ?? "");
  return match?.[1] && match[2] && !text?.startsWith("@android:") ? { type: match[1], name: match[2] } : undefined;
}

/** Opens the resources of a module's source sets; what they lack is looked for in the project's other modules. */
export function openAndroidResources(template: Folder, module: AppModule): AndroidResources {
  const prefix = module.folder ? `${module.folder}/` : "";
  const root = module.root ? `${module.root}/` : "";
  const named = module.resources.map((folder) => `${folder}/`);
  const isOwn = (file: string) =>
    named.length > 0 ? named.some((folder) => file.startsWith(folder)) : file.startsWith(prefix);
  const files = template
    .list()
    .filter((file) => file.startsWith(root) && /(^|\/)(?:res|Resources)\/[a-z][^/]*\/[^/]+$/.test(file))
    .sort((a, b) => Number(isOwn(b)) - Number(isOwn(a)));
  const parsed = new Map<string, XmlElement>();
  let values: ValueResource[] | undefined;
  /** The module's own, where it has any. */
  const nearest = <T>(all: T[], fileOf: (each: T) => string): T[] => {
    const own = all.filter((each) => isOwn(fileOf(each)));
    return own.length > 0 ? own : all;
  };

  const unread: Problem[] = [];
  const xml = (file: string) => {
    let root = parsed.get(file);
    if (!root) {
      root = readXml(template, file, unread);
      parsed.set(file, root);
    }
    return root;
  };
  const allValues = () =>
    files
      .filter((file) => androidValues.test(file))
      .flatMap((file) =>
        xml(file).children.flatMap((element) => {
          const name = attributeOf(element, "name");
          const type = element.name === "item" ? attributeOf(element, "type") : element.name;
          return name && type ? [{ type, name, file, element }] : [];
        }),
      );

  const set = ["main", "androidMain"].find((name) =>
    files.some((file) => file.startsWith(`${prefix}src/${name}/res/`)),
  );
  return {
    main: module.resources[0] ?? `${prefix}src/${set ?? "main"}/res`,
    xml,
    unread: () => unread,
    values({ type, name }) {
      values ??= allValues();
      const named = values.filter((each) => each.type === type && sameName(each.name, name));
      return nearest(named, (each) => each.file);
    },
    built({ type, name }) {
      return module.statements.flatMap(({ tokens, file }) => {
        const [of, key, value] = tokens.filter(({ kind }) => kind === "string");
        if (tokens[0]?.text !== "resValue" || of?.text !== type || key?.text !== name || !value) return [];
        const site = literalSite(file, value);
        const form: Form = site?.form === "gradle-single" ? "gradle-single-resource" : "gradle-double-resource";
        return site ? [{ ...site, form: type === "string" ? form : site.form }] : [];
      });
    },
    files({ type, name }) {
      const form = new RegExp(
        `(^|/)(?:res|Resources)/${type}(-[^/]+)?/${escapeRegExp(name)}(\\.9)?\\.(xml|png|webp|jpe?g|gif)$`,
      );
      return nearest(
        files.filter((file) => form.test(file)),
        (file) => file,
      );
    },
  };
}

const nothing: XmlElement = {
  name: "",
  attributes: new Map(),
  children: [],
  text: "",
  start: 0,
  end: 0,
  innerStart: 0,
  innerEnd: 0,
  selfClosing: true,
};

function readXml(template: Folder, file: string, unread: Problem[]): XmlElement {
  const read = attempt(() => parseXml(template.source(file)));
  if (read.ok) return read.value;
  unread.push(
    ...read.problems.map(({ message, place }) =>
      problem("template-gap", `Android: passed over: ${message}`, { severity: "warning", place }),
    ),
  );
  return nothing;
}

/** A style's full stops and a reference's underscores mean the same. */
const sameName = (a: string, b: string): boolean => a === b || a.replace(/[.]/g, "_") === b.replace(/[.]/g, "_");

/** Deepest chain of references followed: colour to colour, style to parent. */
const longestChain = 12;

/** Every place where the colour behind a reference, or a literal colour, is written down. */
export function colorSites(resources: AndroidResources, site: Site | undefined, depth = 0): Site[] {
  if (!site) return [];
  const text = site.value.trim();
  if (/^#([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(text)) return [{ ...site, value: text }];
  const ref = readReference(text);
  if (ref?.type !== "color" || depth > longestChain) return [];
  const written = resources
    .values(ref)
    .flatMap(({ file, element }) => colorSites(resources, textSite(file, element), depth + 1));
  return [...written, ...resources.built(ref)];
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

/** What a manifest names and no resource is: a build may write it, from somewhere that cannot be followed. */
export const dangling = (template: Folder, file: string, site: Site, what: string): { gaps: Problem[] } => ({
  gaps: [
    problem("template-gap", `Android: the ${what} ${site.value} is nowhere in the template's resources.`, {
      ...{ severity: "warning", place: placeAt(template.source(file), site.start) },
      fix: "Where a build writes it, give the file that it takes it from under `fill` of template.yaml; else mend it.",
    }),
  ],
});
