import { firstOfEachPlace, type PartSurvey, type SurveyPart } from "../../template/found.ts";
import { surveyXcode } from "../apple/survey.ts";
import { surveyBundles } from "./bundles.ts";
import { surveyEntries } from "./entries.ts";
import { surveyLinux } from "./linux.ts";

/** Surveys the apps for desktops of a template: the Mac's, a Linux runner, programs; undefined where there is none. */
export const surveyDesktop: SurveyPart = (template, around) => {
  const surveys = [surveyXcode("desktop"), surveyLinux, surveyEntries, surveyBundles];
  const parts = surveys.map((survey) => survey(template, around)).filter((part) => part !== undefined);
  const [first, ...others] = parts;
  return first && others.reduce(together, first);
};

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
