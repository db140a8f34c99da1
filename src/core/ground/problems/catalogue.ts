import type { ProblemKind } from "./kind.ts";
import { ofBuilds } from "./of-builds.ts";
import { ofInputs } from "./of-inputs.ts";
import { ofKeys } from "./of-keys.ts";
import { ofPictures } from "./of-pictures.ts";
import { ofRecords } from "./of-records.ts";
import { ofRosters } from "./of-rosters.ts";
import { ofStores } from "./of-stores.ts";
import { ofWork } from "./of-work.ts";

const kinds = {
  ...ofInputs,
  ...ofPictures,
  ...ofRosters,
  ...ofRecords,
  ...ofKeys,
  ...ofBuilds,
  ...ofStores,
  ...ofWork,
} satisfies Record<string, ProblemKind>;

export type ProblemCode = keyof typeof kinds;

/** Every problem Oxalis can report, by its stable code. docs/problems.md is written from this table. */
export const problemKinds: Readonly<Record<ProblemCode, ProblemKind>> = kinds;
