import type { TemplateNotes } from "../../agency/workspace/schema/template.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Site } from "../../formats/splice/site.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { allOf, mapResult, unwrap } from "../../ground/problems/result.ts";
import { namedPlace } from "../template/places.ts";

/** Where an answer goes. Without one, its places are emptied: nothing of the template's own stays there. */
export interface AnswerPlaces {
  name: string;
  sites: readonly Site[];
}

/** The places that template.yaml names for each question. Stops with every one that is not there. */
export function answerPlaces({ notes }: Workspace, folder: Folder): AnswerPlaces[] {
  const found = Object.entries(notes.data.questions).map(([name, { fill, kind }]) => {
    const sites = fill.map((target, at) => {
      const line = (key: string) => notes.document.placeOf(["questions", name, "fill", at, key]);
      return mapResult(namedPlace(folder, target, line), (site) =>
        kind === "number" && site.form === "json" ? { ...site, form: "raw" as const } : site,
      );
    });
    return mapResult(allOf(sites), (all) => ({ name, sites: all }));
  });
  return unwrap(allOf(found));
}

/** Whether a file of the template stands for one that each client gives itself: it goes to none. */
export function givenByClients({ questions, collections }: TemplateNotes): (file: string) => boolean {
  const files = new Set([
    ...Object.values(questions).flatMap(({ to }) => to ?? []),
    ...Object.values(collections).map(({ index }) => index),
  ]);
  const folders = Object.values(collections).map(({ to }) => `${to.replace(/\/$/, "")}/`);
  return (file) => files.has(file) || folders.some((folder) => file.startsWith(folder));
}
