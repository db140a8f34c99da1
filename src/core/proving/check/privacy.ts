import type { Template } from "../../app/survey/template.ts";
import { dataLines } from "../../clients/record/collected.ts";
import type { ClientView } from "../../clients/record/read.ts";
import { readPropertyList } from "../../formats/packages/property-list.ts";
import { textIfAny } from "../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { type Place, placeAt } from "../../ground/values/source.ts";
import { stores } from "../../stores/all.ts";

/** Manifests of the app itself; those of libraries say what the libraries do. */
const ownManifest =
  /^(?!.*(?:^|\/)(?:Pods|Carthage|node_modules|[^/]+\.(?:xc)?framework|[^/]+\.bundle)\/).*\.xcprivacy$/;

/** What an app's privacy manifest says (Apple, "Privacy manifest files"). */
interface Manifest {
  file: string;
  /** Kinds of data by their names in the manifest, without what all of them begin with. */
  kinds: readonly string[];
  isTracking: boolean | undefined;
}

const manifestsIn = ({ folder, files }: Template): Manifest[] =>
  files
    .filter((file) => ownManifest.test(file))
    .flatMap((file): Manifest[] => {
      const list = readPropertyList(folder.bytes(file));
      if (!list) return [];
      const { NSPrivacyCollectedDataTypes: listed, NSPrivacyTracking: tracking } = list;
      const entries = Array.isArray(listed) ? (listed as Record<string, unknown>[]) : [];
      const kinds = entries.map((each) =>
        String(each.NSPrivacyCollectedDataType ?? "").replace(/^NSPrivacyCollectedDataType/, ""),
      );
      return [{ file, kinds, isTracking: typeof tracking === "boolean" ? tracking : undefined }];
    });

/** Where a manifest says which data is collected. */
function placeIn({ folder }: Template, file: string): Place {
  if (textIfAny(folder.bytes(file)) === undefined) return { file, line: 1, column: 1, text: "" };
  const source = folder.source(file);
  return placeAt(source, Math.max(0, source.text.indexOf("NSPrivacyCollectedDataTypes")));
}

const squashed = (name: string): string => name.toLowerCase().replace(/[^a-z]/g, "");

/** Looks where an app's privacy manifests say something else than the answers do that its store shows people. */
export function openPrivacyJudge(template: Template): (view: ClientView) => Problem[] {
  const form = stores["app-store"];
  const { data } = form;
  const manifests = data.byKind ? manifestsIn(template) : [];
  if (!data.byKind || manifests.length === 0) return () => [];
  const names = Object.values(data.kinds).flat();
  const nameOf = (kind: string) => names.find((name) => squashed(name) === squashed(kind)) ?? kind;
  return ({ client, told, variant }) => {
    const { declared = [], collected = [] } = told?.record ?? {};
    const answerTo = (name: string) => declared.find(({ declaration }) => declaration.name === name)?.answer?.value;
    if (!variant?.platforms.includes("ios") || answerTo("data") === undefined) return [];
    const said = [...new Set(collected.flatMap(({ kind }) => data.kinds[kind]))];
    const tracking = answerTo("tracking");
    return manifests.flatMap(({ file, kinds, isTracking }) => {
      const own = kinds.map(nameOf);
      const odd = [
        ...own.filter((name) => !said.includes(name)).map((name) => `that ${name} is collected`),
        ...said.filter((name) => !own.includes(name)).map((name) => `nothing of ${name}`),
        ...(isTracking === true && tracking === "no" ? ["that people are followed"] : []),
        ...(isTracking === false && tracking === "yes" ? ["that nobody is followed"] : []),
      ];
      if (odd.length === 0) return [];
      return [
        problem("privacy-manifest", `${file} says ${odd.join(", and ")}; ${data.title} is told otherwise.`, {
          ...{ client: client.key, platform: "ios", severity: "warning" },
          place: placeIn(template, file),
          expected: dataLines(form, collected)
            .map(({ title, text }) => `${title}: ${text}`)
            .join(" · "),
        }),
      ];
    });
  };
}
