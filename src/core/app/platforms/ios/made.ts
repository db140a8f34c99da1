import { posix } from "node:path";
import { plistSite } from "../../../formats/splice/formats/plist.ts";
import { problem } from "../../../ground/problems/problem.ts";
import { placeAt } from "../../../ground/values/source.ts";
import { aside, builders } from "../../template/builders.ts";
import { firstOfEachPlace, heldValues, mergeFound, type SurveyPart } from "../../template/found.ts";
import { storyboard } from "../apple/assets.ts";
import { bundleFills, bundleLists } from "../apple/bundle-lists.ts";
import { iconSets } from "../apple/icons.ts";

/**
 * Surveys an app for telephones whose Xcode project a build script makes: the property list that it is given, and the
 * icons and the start screen beside that; undefined where there is none.
 */
export const surveyMadeByBuild: SurveyPart = (template, { wants }) => {
  const files = template.list().filter((file) => !aside.test(file));
  const lists = bundleLists(template, files, "telephone");
  const [first] = lists;
  if (!first || !files.some((file) => builders.test(file))) return undefined;
  const folder = posix.dirname(first.file) === "." ? "" : posix.dirname(first.file);
  const gap = (what: string) =>
    problem("template-gap", `iOS: ${what}.`, { severity: "warning", place: placeAt(template.source(first.file), 0) });
  const assets = { template, below: folder, wants, platform: "ios", gap } as const;
  const icons = iconSets(assets);
  const board = plistSite(first.strings, "UILaunchStoryboardName")?.value;
  const start = board === undefined ? undefined : storyboard(assets, board);
  const found = mergeFound([
    { fills: lists.flatMap((list) => bundleFills(list, "identifiers.ios")) },
    icons,
    start ?? (board === undefined ? {} : { gaps: [gap(`no storyboard named ${board}`)] }),
    { gaps: icons.pictures.length === 0 ? [gap("no app icon set beside its property list")] : [] },
  ]);
  const fills = firstOfEachPlace(found.fills);
  return {
    ...found,
    platform: "ios",
    folder,
    identifiers: heldValues(fills, "identifiers.ios"),
    names: heldValues(fills, "app.label"),
    fills,
  };
};
