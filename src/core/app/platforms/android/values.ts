import type { GradleToken } from "../../../formats/splice/formats/gradle.ts";
import { attributeSite, parseXml, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import { emptySite, type Site } from "../../../formats/splice/site.ts";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Problem } from "../../../ground/problems/problem.ts";
import { givenByEnvironment } from "../../template/environment.ts";
import type { Fill } from "../../template/found.ts";
import { isFromPubspec } from "../../template/pubspec.ts";
import { type Followed, filling } from "./following.ts";
import { type AppModule, valuesOf } from "./gradle-project.ts";
import { identifierOf } from "./projects.ts";

export type Gap = (what: string, file: string, at: number, severity?: "error" | "warning") => Problem;

export interface Manifest {
  file: string;
  root: XmlElement;
}

/** Where a script, or else a manifest, says the version that people see and the number of a build. */
export const versionFills = (
  template: Folder,
  module: AppModule,
  manifests: readonly Manifest[],
  gap: Gap,
): Partial<Followed>[] =>
  (
    [
      ["versionName", "version"],
      ["versionCode", "build"],
    ] as const
  ).flatMap(([name, field]) => {
    const inManifest = manifests.flatMap(({ file, root }) => attributeSite(file, root, `android:${name}`) ?? []);
    const literal = inManifest.filter(({ value }) => !value.includes("$"));
    const inScripts = valuesOf(module, name).map(({ statement, sites, value }) => {
      const expression = value.map(({ text }) => text).join("");
      const given = sites.length > 0 ? sites : value.flatMap(({ text }) => givenByEnvironment(template, text));
      const isUnknown = given.length === 0 && inManifest.length === 0 && !isFromPubspec(template, expression);
      const at = statement.tokens[0]?.start ?? 0;
      return {
        ...filling(field, given),
        gaps: isUnknown ? [gap(`${name} is worked out by the build`, statement.file, at)] : [],
      };
    });
    const inProject = module.project?.said(name === "versionName" ? "ApplicationDisplayVersion" : "ApplicationVersion");
    return [filling(field, literal), ...inScripts, filling(field, inProject ? [inProject] : [])];
  });

/** The application ID of a project of .NET: what it says itself, or its manifest (Microsoft, ApplicationId). */
function projectIdentifier({ project, script, manifests }: AppModule, template: Folder, gap: Gap): Partial<Followed> {
  const said = project?.said("ApplicationId");
  const inManifest = manifests.flatMap((file) => attributeSite(file, parseXml(template.source(file)), "package") ?? []);
  const sites = [...(said ? [said] : []), ...inManifest].filter(({ value }) => !value.includes("$"));
  const none = gap("nothing says which application ID the app has", script, 0, "error");
  return { ...filling("identifiers.android", sites), gaps: sites.length === 0 ? [none] : [] };
}

/** The application ID wherever it is given; a flavour's keeps what it has behind the others'. */
export function identifierFills(
  template: Folder,
  module: AppModule,
  gap: Gap,
  ofApp: string | undefined,
): Partial<Followed> {
  if (module.project) return projectIdentifier(module, template, gap);
  const values = valuesOf(module, "applicationId");
  const own = identifierOf(module);
  const identifier = ofApp !== undefined && own?.startsWith(`${ofApp}.`) ? ofApp : own;
  if (values.length === 0) {
    const made = madeFromNamespace(module);
    const none = gap("nothing says which application ID the app has", module.script, 0, "error");
    return { fills: made, gaps: made.length === 0 ? [none] : [] };
  }
  const places = values.flatMap(({ sites, statement, value }) =>
    (sites.length > 0 ? sites : workedOut(statement.file, value)).map((site) => {
      const isLonger = identifier !== undefined && site.value.startsWith(`${identifier}.`);
      const after = isLonger ? site.value.slice(identifier.length) : "";
      const isOther = identifier && site.value !== identifier && !after;
      return { site, after, flavour: isOther ? statement.blocks.at(-1) : undefined };
    }),
  );
  return {
    fills: places.map(({ site, after }) => ({
      holds: "identifiers.android",
      site,
      shape: "text",
      ...(after ? { after } : {}),
    })),
    gaps: places.flatMap(({ site, flavour }) =>
      flavour === undefined
        ? []
        : [
            gap(
              `the flavour ${flavour} has an application ID of its own, and gets the client's like all others`,
              site.file,
              site.start,
            ),
          ],
    ),
  };
}

/**
 * An expression that works the identifier out is replaced by the client's, as a literal: what it refers to may be the
 * namespace too, and must stay.
 */
function workedOut(file: string, value: readonly GradleToken[]): Site[] {
  const [first, last] = [value[0], value.at(-1)];
  if (!first || !last) return [];
  const [start, end] = [first.start - first.quote.length, last.end + last.quote.length];
  return [{ file, start, end, value: "", form: "gradle-quoted" }];
}

/**
 * Without an application ID the namespace is taken for one (Android documentation, "Configure the app module"): it
 * gets its own.
 */
function madeFromNamespace({ statements }: AppModule): Fill[] {
  const opening = statements.find(
    ({ opens, blocks, tokens }) => opens && blocks.join() === "android" && tokens[0]?.text === "defaultConfig",
  );
  const at = opening?.tokens.at(-1)?.end;
  if (!opening || at === undefined) return [];
  const site = emptySite(opening.file, at, "gradle-double");
  return [{ holds: "identifiers.android", site, shape: "text", opens: '\n        applicationId = "', closes: '"' }];
}
