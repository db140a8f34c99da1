import { entry, itemsOf, type OpenStep, parseOpenStep, textOf } from "../../../formats/splice/formats/openstep.ts";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";

/** The objects of an Xcode project, each under its identifier, and how one leads to the next. */
export interface XcodeObjects {
  /** The group that holds them; undefined where the file is no project's. */
  group: Extract<OpenStep, { kind: "group" }> | undefined;
  all: readonly (readonly [id: string, node: OpenStep])[];
  project: OpenStep | undefined;
  targets: readonly (OpenStep | undefined)[];
  /** The object that an identifier stands for. */
  byId(id: OpenStep | undefined): OpenStep | undefined;
  /** The objects that a list of identifiers stands for. */
  listed(list: OpenStep | undefined): (OpenStep | undefined)[];
  /** The build configurations of the project or of a target. */
  configurations(owner: OpenStep | undefined): (OpenStep | undefined)[];
}

export const isa = (node: OpenStep | undefined, kind: string): boolean => textOf(entry(node, "isa")) === kind;

/** Reads a project's file; once, whoever asks. */
export const xcodeObjects = parsedOnce((source): XcodeObjects => {
  const objects = entry(parseOpenStep(source), "objects");
  const group = objects?.kind === "group" ? objects : undefined;
  const all = group ? [...group.entries] : [];
  const project = all.find(([, node]) => isa(node, "PBXProject"))?.[1];
  const byId = (id: OpenStep | undefined) => entry(group, textOf(id) ?? "");
  const listed = (list: OpenStep | undefined) => itemsOf(list).map(byId);
  return {
    group,
    all,
    project,
    targets: listed(entry(project, "targets")),
    byId,
    listed,
    configurations: (owner) => listed(entry(byId(entry(owner, "buildConfigurationList")), "buildConfigurations")),
  };
});

/** The settings of every build configuration in a project. */
export const buildSettings = ({ all }: XcodeObjects): OpenStep[] =>
  all.flatMap(([, node]) => entry(node, "buildSettings") ?? []);
