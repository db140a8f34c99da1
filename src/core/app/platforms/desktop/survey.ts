import type { Folder } from "../../../ground/files/reading/folder.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { firstOfEachPlace, type PartSurvey, type SurveyPart } from "../../template/found.ts";
import { surveyXcode } from "../apple/survey.ts";
import { inIconSet, surveyBundles } from "./bundles.ts";
import { surveyCMake } from "./cmake.ts";
import { surveyEntries } from "./entries.ts";
import { surveyGradlePackages } from "./gradle.ts";
import { surveyLinux } from "./linux.ts";
import { surveyQmake } from "./qmake.ts";
import { versionScripts } from "./versions.ts";

/** Programs that a build script puts together. */
const programs: readonly SurveyPart[] = [surveyEntries, surveyBundles, surveyCMake, surveyQmake, surveyGradlePackages];

/** Surveys the apps for desktops of a template: the Mac's, a Linux runner, programs; undefined where there is none. */
export const surveyDesktop: SurveyPart = (template, around) => {
  const by = (surveys: readonly SurveyPart[]) =>
    surveys.map((survey) => survey(template, around)).filter((part) => part !== undefined);
  const [apps, built] = [by([surveyXcode("desktop"), surveyLinux]), by(programs)];
  const [first, ...others] = [...apps, ...built];
  const joined = first && others.reduce(together, first);
  const sets = template.list().flatMap(inIconSet);
  const whole = joined && { ...joined, pictures: [...joined.pictures, ...sets] };
  return whole && built.length > 0 && apps.length === 0 ? withVersion(template, whole) : whole;
};

/** A program whose version no place is found for is told so: its build would say the template's. */
function withVersion(template: Folder, part: PartSurvey): PartSurvey {
  if (part.fills.some(({ holds }) => holds === "version")) return part;
  const [script] = versionScripts(template.list());
  if (script === undefined) return part;
  const gap = problem("template-gap", "Desktop: no version that a build script says as a number.", {
    severity: "warning",
    place: placeAt(template.source(script), 0),
  });
  return { ...part, gaps: [...part.gaps, gap] };
}

/** Two parts of one platform as one; its folder is the one above both. */
const together = (a: PartSurvey, b: PartSurvey): PartSurvey => ({
  ...a,
  folder: above(a.folder, b.folder),
  identifiers: [...new Set([...a.identifiers, ...b.identifiers])],
  names: [...new Set([...a.names, ...b.names])],
  fills: firstOfEachPlace([...a.fills, ...b.fills]),
  pictures: [...a.pictures, ...b.pictures],
  brandFiles: [...a.brandFiles, ...b.brandFiles],
  added: [...a.added, ...b.added],
  missing: [...a.missing, ...b.missing],
  gaps: [...a.gaps, ...b.gaps],
});

function above(a: string, b: string): string {
  const steps = a.split("/");
  const same = steps.findIndex((step, at) => step !== b.split("/")[at]);
  return steps.slice(0, same === -1 ? steps.length : same).join("/");
}
