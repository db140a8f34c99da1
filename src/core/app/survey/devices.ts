import type { Folder } from "../../ground/files/reading/folder.ts";
import { definitions } from "../platforms/all.ts";
import { type Fill, filesOf, type PartSurvey } from "../template/found.ts";

/** Where a platform says how its app may be turned, and what it is for: filled only where a client says so. */
export const deviceFills = (template: Folder, part: PartSurvey): Fill[] =>
  definitions[part.platform].devices(template, filesOf(template, part)).map((fill) => ({ ...fill, optional: true }));
