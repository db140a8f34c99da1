import { posix } from "node:path";
import { stringify } from "yaml";
import { appModules } from "../../app/platforms/android/gradle-project.ts";
import { isMainApp, readXcodeProjects } from "../../app/platforms/apple/project.ts";
import type { PartSurvey } from "../../app/template/found.ts";
import { type Folder, textIfAny } from "../../ground/files/reading/folder.ts";
import type { System } from "../../ground/systems/system.ts";
import type { ResultKind } from "../../ground/values/package.ts";
import type { Platform } from "../../ground/values/platform.ts";

/** How a platform's package would be built, by what lies in the template. */
export interface ProposedSteps {
  on?: System;
  steps: readonly { run: string; in?: string }[];
  gives: Readonly<Partial<Record<ResultKind, string>>>;
}

type Part = Pick<PartSurvey, "platform" | "folder">;
type Propose = (template: Folder, part: Part) => ProposedSteps | undefined;

/** What each platform's tools want, the surest first (each tool's own documentation). */
const proposals: Readonly<Partial<Record<Platform, readonly Propose[]>>> = {
  android: [fromPubspec({ what: "appbundle", gives: { store: "build/app/outputs/bundle/release/*.aab" } }), fromGradle],
  ios: [fromPubspec({ what: "ipa", on: "mac", gives: { store: "build/ios/ipa/*.ipa" } }), fromXcode],
  windows: [fromMsbuild],
  web: [
    fromPubspec({
      what: "web",
      gives: { store: "build/site.tar.gz" },
      after: "tar czf build/site.tar.gz -C build/web .",
    }),
    fromScripts("build"),
    asItIs,
  ],
  desktop: [fromScripts("dist"), fromScripts("package"), fromScripts("make")],
};

/** Steps for every part of a template that some tool is known to build. */
export function proposedSteps(
  template: Folder,
  parts: readonly Part[],
): { platform: Platform; steps: ProposedSteps }[] {
  return parts.flatMap((part) => {
    const [steps] = (proposals[part.platform] ?? []).flatMap((propose) => propose(template, part) ?? []);
    return steps ? [{ platform: part.platform, steps }] : [];
  });
}

/** The same as comments of template.yaml: nobody has tried them. */
export function stepsText(all: readonly { platform: Platform; steps: ProposedSteps }[]): string {
  if (all.length === 0) return "";
  const written = stringify(
    { builds: Object.fromEntries(all.map(({ platform, steps }) => [platform, steps])) },
    { lineWidth: 0 },
  );
  return `
# How each platform's package is built (oxalis build). These follow from what lies in the template, and nobody has tried
# them: look through them, and take the # away.
${written.trimEnd().replace(/^/gm, "# ")}
`;
}

const inside = (...path: readonly string[]): string => posix.join(...path).replace(/^\.\//, "");

const at = (folder: string) => (folder === "" ? {} : { in: folder });

/** An app whose settings lie in pubspec.yaml is built from there. */
function fromPubspec({
  what,
  on,
  gives,
  after,
}: Pick<ProposedSteps, "on" | "gives"> & { what: string; after?: string }): Propose {
  return (template) =>
    template.has("pubspec.yaml")
      ? {
          ...(on ? { on } : {}),
          steps: [{ run: `flutter build ${what}`, in: "." }, ...(after ? [{ run: after, in: "." }] : [])],
          gives,
        }
      : undefined;
}

function fromGradle(template: Folder, { folder }: Part): ProposedSteps | undefined {
  const module = appModules(template).find(({ script }) => folder === "" || script.startsWith(`${folder}/`));
  if (!module) return undefined;
  const own = posix.dirname(module.script);
  const root = module.root;
  const name = posix.relative(root, own);
  const wrapper = template.has(inside(root, "gradlew")) ? "./gradlew" : "gradle";
  const task = name === "" ? "bundleRelease" : `:${name.replaceAll("/", ":")}:bundleRelease`;
  return {
    steps: [{ run: `${wrapper} ${task}`, ...at(root) }],
    gives: { store: inside(own, "build/outputs/bundle/release/*.aab") },
  };
}

function fromXcode(template: Folder, { folder }: Part): ProposedSteps | undefined {
  const project = readXcodeProjects(template).find((each) => each.folder === folder);
  const app = project?.targets.find(isMainApp);
  if (!project?.file.endsWith(".pbxproj") || !app) return undefined;
  const workspace = template
    .list()
    .map((file) => /^(.*\.xcworkspace)\/contents\.xcworkspacedata$/.exec(file)?.[1])
    .find((file) => file !== undefined && posix.dirname(file) === (folder || ".") && !file.includes(".xcodeproj/"));
  const file = workspace
    ? `-workspace ${posix.basename(workspace)}`
    : `-project ${posix.basename(posix.dirname(project.file))}`;
  const archive = "-archivePath out/app.xcarchive";
  return {
    on: "mac",
    steps: [
      { run: `xcodebuild ${file} -scheme "${app.name}" ${archive} archive` },
      { run: `xcodebuild -exportArchive ${archive} -exportOptionsPlist ExportOptions.plist -exportPath out` },
    ],
    gives: { store: inside(folder, "out/*.ipa") },
  };
}

function fromMsbuild(template: Folder, { folder }: Part): ProposedSteps | undefined {
  const own = template.list().filter((file) => /\.(wapproj|csproj|vcxproj)$/i.test(file));
  const project = own.find((file) => posix.dirname(file) === (folder || ".")) ?? own[0];
  if (project === undefined) return undefined;
  const where = posix.dirname(project);
  const mode = "/p:UapAppxPackageBuildMode=StoreUpload /p:AppxBundle=Never";
  return {
    on: "windows",
    steps: [{ run: `msbuild ${posix.basename(project)} /restore /p:Configuration=Release ${mode}`, ...at(where) }],
    gives: { store: inside(where, "AppPackages/**/*.msix") },
  };
}

/** A script of package.json, where it has one of this name: in the part's folder, or at the top. */
function fromScripts(script: string): Propose {
  return (template, { folder, platform }) => {
    const home = [folder, ""].find((each) => hasScript(template, inside(each, "package.json"), script));
    if (home === undefined) return undefined;
    const run = `npm ci && npm run ${script}`;
    if (platform === "desktop") return { steps: [{ run, ...inTop(home) }], gives: { install: inside(home, "dist/*") } };
    return {
      steps: [
        { run, ...inTop(home) },
        { run: "tar czf site.tar.gz -C dist .", ...inTop(home) },
      ],
      gives: { store: inside(home, "site.tar.gz") },
    };
  };
}

const inTop = (folder: string) => ({ in: folder === "" ? "." : folder });

function hasScript(template: Folder, file: string, script: string): boolean {
  if (!template.has(file)) return false;
  try {
    const { scripts } = JSON.parse(textIfAny(template.bytes(file)) ?? "");
    return typeof scripts?.[script] === "string";
  } catch {
    return false;
  }
}

/** Pages that need no building go as they are. */
function asItIs(_: Folder, { folder }: Part): ProposedSteps {
  const up =
    folder === ""
      ? "."
      : folder
          .split("/")
          .map(() => "..")
          .join("/");
  return {
    steps: [{ run: `mkdir -p ${up}/out && tar czf ${up}/out/site.tar.gz --exclude=./out .` }],
    gives: { store: "out/site.tar.gz" },
  };
}
