import { expectedAmong } from "../../ground/problems/nearest.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Workspace } from "./workspace.ts";

/** The workspace as it is at a stage; as it is for the store where none is named. */
export function atStage(workspace: Workspace, name: string | undefined): Workspace {
  if (name === undefined) return workspace;
  const { stages } = workspace.agency.data;
  const has = Object.hasOwn(stages, name) ? stages[name] : undefined;
  if (!has)
    refuse("stage-unknown", `No stage is called "${name}".`, {
      expected: expectedAmong(name, Object.keys(stages), "a name under stages in oxalis.yaml"),
    });
  return { ...workspace, stage: { name, has } };
}

/** Name of a variant: its client's key, and the stage behind it where there is one. */
export const variantName = ({ stage }: Pick<Workspace, "stage">, client: string): string =>
  stage ? `${client}.${stage.name}` : client;

/** A variant's folder, relative to the workspace. */
export const variantPath = (at: Pick<Workspace, "stage">, client: string): string =>
  `variants/${variantName(at, client)}`;
