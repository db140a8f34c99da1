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

/** Where an app's privacy manifest says something else than the answers do that its store shows people. */
export function judgePrivacy({ client, told, variant }: ClientView, template: Template): Problem[] {
  const form = stores["app-store"];
  const { declared = [], collected = [] } = told?.record ?? {};
  const answerTo = (name: string) => declared.find(({ declaration }) => declaration.name === name)?.answer?.value;
  if (!variant?.platforms.includes("ios") || answerTo("data") === undefined || !form.data.byKind) return [];
  const { title, kinds } = form.data;
  const said = [...new Set(collected.flatMap(({ kind }) => (form.data.byKind ? form.data.kinds[kind] : [])))];
  const names = Object.values(kinds).flat();
  return manifestsIn(template).flatMap((manifest) => {
    const own = manifest.kinds.map((each) => names.find((name) => squashed(name) === squashed(each)) ?? each);
    const tracking = answerTo("tracking");
    const odd = [
      ...own.filter((name) => !said.includes(name)).map((name) => `that ${name} is collected`),
      ...said.filter((name) => !own.includes(name)).map((name) => `nothing of ${name}`),
      ...(manifest.isTracking === true && tracking === "no" ? ["that people are followed"] : []),
      ...(manifest.isTracking === false && tracking === "yes" ? ["that nobody is followed"] : []),
    ];
    if (odd.length === 0) return [];
    return [
      problem("privacy-manifest", `${manifest.file} says ${odd.join(", and ")}; ${title} is told otherwise.`, {
        ...{ client: client.key, platform: "ios", severity: "warning" },
        place: placeIn(template, manifest.file),
        expected: dataLines(form, collected)
          .map(({ title: line, text }) => `${line}: ${text}`)
          .join(" · "),
      }),
    ];
  });
}
