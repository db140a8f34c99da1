import picomatch from "picomatch";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { type Folder, openFolder } from "../../ground/files/reading/folder.ts";
import { checkoutRevision } from "../../ground/files/reading/ignored.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { refuse, stop } from "../../ground/problems/result.ts";
import { channels } from "../../ground/values/color.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { platforms } from "../../ground/values/platform.ts";
import type { Place } from "../../ground/values/source.ts";
import { picturesFor } from "../../stores/all.ts";
import { definitions } from "../platforms/all.ts";
import { wrappedPages } from "../platforms/web/survey.ts";
import type { FeaturePlaces } from "../template/feature-places.ts";
import { firstOfEachPlace, heldValues, nothingFound, type PartSurvey } from "../template/found.ts";
import type { Wants } from "../template/missing.ts";
import { pubspecFills } from "../template/pubspec.ts";
import { keepStageMarks } from "../template/stage-marks.ts";
import { receiptFile } from "../variant/receipt-file.ts";
import { type AnswerPlaces, answerPlaces, givenByClients } from "./answers.ts";
import { withColors } from "./colors.ts";
import { type Content, contentOf } from "./content.ts";
import { aroundCopyright } from "./copyright.ts";
import { deviceFills } from "./devices.ts";
import { featurePlaces } from "./features.ts";
import { identityFills } from "./identities.ts";
import { kinFills } from "./kin.ts";
import { refuseNamed, withoutLeft } from "./left-out.ts";
import { noApp } from "./no-app.ts";
import { type NotedPlace, notedPlaces } from "./noted-places.ts";
import { withOwnPictures } from "./own-pictures.ts";
import { chooseParts } from "./parts.ts";
import { saidVersions } from "./said-versions.ts";
import { dropAllowed, type FoundSecret, findSecrets } from "./secrets/find.ts";
import { withSettings, wrapsPages } from "./settings/survey.ts";

/** The template as one run sees it: its files, what its parts say about themselves, and what template.yaml adds. */
export interface Template {
  folder: Folder;
  /** The parts that are wanted. */
  parts: readonly PartSurvey[];
  /** Files that variants get: without what is left out, and without parts that are not wanted. */
  files: readonly string[];
  /** Whether a file lies in a part that is not wanted. */
  isLeft(file: string): boolean;
  /** Places from template.yaml, each with the pattern of what goes there. */
  places: readonly NotedPlace[];
  features: readonly FeaturePlaces[];
  /** Where answers go, and what else a question or a collection stands for. */
  answers: readonly AnswerPlaces[];
  collections: readonly { name: string; index: string }[];
  /** Files that the running app reads. */
  runtime: readonly { file: string; values: Readonly<Record<string, string>>; place: Place }[];
  /** Every way in which the template names itself. */
  identifiers: readonly string[];
  names: readonly string[];
  /** Colours that brand it, as #rrggbb. */
  colors: readonly string[];
  /** The commit it is at, where it is a checkout. */
  revision?: string;
  /** Files among them that hold secrets, or may, and that template.yaml does not allow. Looked for when it is asked. */
  secrets(): readonly FoundSecret[];
  /** What people see of it and is no part of its identity. Looked for when it is asked. */
  content(): readonly Content[];
  /** Changes whenever anything of the template does, as far as the file system and the survey show. */
  key: string;
}

/** Files that are drawn anew for every client. */
export const drawnFiles = (parts: readonly PartSurvey[]): ReadonlySet<string> =>
  new Set(parts.flatMap((part) => [...part.brandFiles, ...part.pictures.map(({ path }) => path)]));

/** Templates that are open: a workspace is read for one call, and several steps of that look at its template. */
const opened = new WeakMap<Workspace, Template>();

/** Opens and surveys the workspace's template, once. Stops where it holds no app, or lacks a wanted part. */
export function openTemplate(workspace: Workspace): Template {
  const template = opened.get(workspace) ?? surveyed(workspace);
  opened.set(workspace, template);
  return template;
}

function surveyed(workspace: Workspace): Template {
  const { agency, notes } = workspace;
  const folder = openFolder(workspace.template, agency.data.template);
  const wants: Wants = (kind) => notes.data.missing[kind] !== "leave";
  const all = withColors(workspace, folder, surveyTemplate(withoutLeft(folder, notes.data.leave), wants), wants);
  const wanted = agency.data.platforms;
  const lacking = wanted.filter((platform) => !all.some((part) => part.platform === platform));
  if (lacking.length > 0) {
    stop(
      lacking.map((platform) => {
        const place = agency.document.placeOf(["platforms", wanted.indexOf(platform)]);
        return problem("template-part-missing", `The template has no part for ${platform}.`, { place });
      }),
    );
  }
  const { parts: made, isLeft } = chooseParts(all, wanted);
  const parts = withOwnPictures(workspace, folder, made);
  const left = picomatch(notes.data.leave, { dot: true });
  const own = givenByClients(notes.data);
  const files = folder.list().filter((file) => !left(file) && !own(file) && file !== receiptFile && !isLeft(file));
  refuseNamed(workspace, folder, files, new Set(parts.flatMap((part) => part.pictures.map(({ path }) => path))));
  const located = notedPlaces(
    workspace,
    folder,
    parts.flatMap(({ fills }) => fills),
  );
  const answers = answerPlaces(workspace, folder);
  const features = Object.entries(notes.data.features).map(([name, declared]) =>
    featurePlaces(folder, parts, { name, declared }),
  );
  const revision = checkoutRevision(folder.root);
  let secrets: FoundSecret[] | undefined;
  let content: Content[] | undefined;
  return {
    content() {
      if (content) return content;
      const drawn = drawnFiles(parts);
      const written = new Set(notes.data.runtime.map(({ file }) => file));
      content = contentOf(
        folder,
        files.filter((file) => !drawn.has(file) && !written.has(file)),
      );
      return content;
    },
    secrets() {
      secrets ??= dropAllowed(findSecrets(folder, files), notes.data.allow);
      return secrets;
    },
    folder,
    ...(revision ? { revision } : {}),
    parts: withGaps(parts, features),
    files,
    isLeft,
    places: located,
    features,
    answers,
    runtime: notes.data.runtime.map((each, at) => ({
      ...each,
      place: notes.document.placeOf(["runtime", at]),
    })),
    collections: Object.entries(notes.data.collections).map(([name, { index }]) => ({ name, index })),
    key: sha256(
      JSON.stringify([parts, files.map((file) => [file, folder.state(file)]), located, features, notes.data, revision]),
    ),
    identifiers: [...new Set(parts.flatMap((part) => part.identifiers))],
    colors: brandColors(parts),
    names: [...new Set([...parts.flatMap((part) => part.names), ...notes.data.names])],
  };
}

/** What the template's own build files say its colours are; a grey brands nobody. */
export function brandColors(parts: readonly PartSurvey[]): string[] {
  const written = parts.flatMap(({ fills }) =>
    fills.flatMap(({ holds, site }) => {
      const hex = /^#(?:[0-9a-f]{2})?([0-9a-f]{6})$/i.exec(site.value.trim())?.[1];
      return holds.startsWith("colors.") && hex ? [`#${hex.toLowerCase()}`] : [];
    }),
  );
  return [...new Set(written)].filter((hex) => {
    const all = channels(hex);
    return Math.max(...all) - Math.min(...all) >= leastColorful;
  });
}

/** The least difference of channels of a colour that is one. */
const leastColorful = 24;

/** Surveys every part that a folder holds. Stops where there is none. */
export function surveyTemplate(folder: Folder, wants: Wants = () => true): PartSurvey[] {
  const around = { wants, wrapsPages: wrapsPages(folder) };
  const native = platforms.flatMap(
    (platform) => definitions[platform].survey(folder, { ...around, inStore: picturesFor(platform) }) ?? [],
  );
  const parts = withSettings(folder, native, wants).map((part) =>
    keepStageMarks({ ...part, fills: [...part.fills, ...deviceFills(folder, part)] }),
  );
  const [first, ...others] = parts;
  if (!first) refuse("template-empty", ...noApp(folder));
  const shown = around.wrapsPages ? wrappedPages(folder) : nothingFound;
  const known = [
    { ...first, names: [...new Set([...first.names, ...heldValues(shown.fills, "app.name", "app.label")])] },
    ...others,
  ];
  const names = known.flatMap((part) => part.names);
  const identities = identityFills(folder, known);
  const versions = saidVersions(folder, known);
  // Programs and their installers say it.
  const versionsAt = Math.max(
    0,
    known.findIndex(({ platform }) => /^(desktop|windows)$/.test(platform)),
  );
  return known.map((part, at) => ({
    ...part,
    ...(at === 0
      ? {
          pictures: [...part.pictures, ...shown.pictures],
          brandFiles: [...part.brandFiles, ...shown.brandFiles],
        }
      : {}),
    fills: firstOfEachPlace([
      ...part.fills,
      ...identities.filter(({ platform }) => platform === part.platform).map(({ fill }) => fill),
      ...(at === 0 ? [...shown.fills, ...kinFills(folder, known), ...pubspecFills(folder, names)] : []),
      ...(at === versionsAt ? versions.fills : []),
    ]).map(aroundCopyright),
    gaps: [
      ...part.gaps,
      ...definitions[part.platform].leavesOut(folder),
      ...(at === versionsAt ? versions.gaps : []),
      ...(at === 0 ? folder.lost().map((file) => lostLink(folder, file)) : []),
    ],
  }));
}

/** That a link leads nowhere: variants do without it. */
const lostLink = ({ label }: Folder, file: string): Problem =>
  problem("file-missing", `${label ? `${label}/` : ""}${file} is a link to something that is not there.`, {
    severity: "warning",
    fix: "Put there what it leads to, fetch the submodule that has it, or take the link out; variants are without it.",
  });

/** Parts with what is unknown of the features in them. */
const withGaps = (parts: readonly PartSurvey[], features: readonly FeaturePlaces[]): PartSurvey[] =>
  parts.map((part) => ({
    ...part,
    gaps: [...part.gaps, ...features.flatMap(({ gaps }) => gaps.filter((each) => each.platform === part.platform))],
  }));

/** A short check sum over all files that variants get, for the record of what a release was made from. */
export const templateRevision = ({ folder, files }: Template): string =>
  sha256(files.map((file) => `${folder.hash(file)} ${file}\n`).join("")).slice(0, 12);
