import type { Folder } from "../../ground/files/reading/folder.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { AddedFile, Fill, PartSurvey } from "./found.ts";
import type { Wants } from "./missing.ts";

/** What a colour of that name stands for; undefined where template.yaml does not say. */
export type Holds = (name: string) => Field | undefined;

/** A place of a colour, and what the template calls it. */
export type NamedFill = Fill & {
  name: string;
  /** In a form for the night that a platform keeps apart from the one by day. */
  isNight?: boolean;
};

export interface Colored {
  fills: readonly NamedFill[];
  /** All that the part adds. */
  added: readonly AddedFile[];
}

/** Where a part of a platform says a colour of its own. */
export type ColorPlaces = (template: Folder, part: PartSurvey, holdsOf: Holds, wants: Wants) => Colored;

/** For platforms that have no colours of their own. */
export const noColors: ColorPlaces = (_, { added }) => ({ fills: [], added });
