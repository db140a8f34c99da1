import { layersOf } from "../../agency/workspace/layers.ts";
import type { Declares } from "../../agency/workspace/schema/declares.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import type { Place } from "../../ground/values/source.ts";
import type { Step } from "../../ground/values/trail.ts";

/** Answers as somebody has written them, in one place. */
export interface Answered {
  declares: Declares;
  step: Pick<Step, "by" | "note">;
  placeOf(path: readonly string[], part?: "key" | "value"): Place;
}

/** Answers to the stores' questions: the template's, then those of groups and of the brief; each later one wins. */
export function answersOf(workspace: Workspace, client: Client): Answered[] {
  const { data, document } = workspace.notes;
  return [
    {
      declares: data.declares,
      step: { by: "agency", note: "the template's answer" },
      placeOf: (path, part) => document.placeOf(["declares", ...path], part),
    },
    ...layersOf(workspace, client).flatMap(({ data: layer, document: at, path: above, step }): Answered[] => {
      const declares = layer?.store?.declares;
      if (!declares) return [];
      const placeOf: Answered["placeOf"] = (path, part) => at.placeOf([...above, "store", "declares", ...path], part);
      return [{ declares, step, placeOf }];
    }),
  ];
}

/** YAML takes yes and no for themselves, and true and false for truth; a list may be a text with commas. */
export function wordsIn(value: string | boolean | readonly string[]): string[] {
  if (typeof value === "boolean") return [value ? "yes" : "no"];
  const parts = typeof value === "string" ? value.split(",") : value;
  return parts.map((part) => part.trim()).filter((part) => part !== "");
}
