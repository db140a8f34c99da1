import type { Client } from "../../agency/workspace/workspace.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import type { Hex } from "../../ground/values/color.ts";
import type { Field } from "../../ground/values/fields.ts";
import type { Platform } from "../../ground/values/platform.ts";
import type { Traced } from "../../ground/values/trail.ts";
import type { Varying } from "../../ground/values/varying.ts";
import type { Art } from "../../pictures/artwork/art.ts";
import type { Lettered, Lettering } from "../../pictures/lettering/lettered.ts";
import { type ArtRole, artRoleNames, rolePath } from "../../pictures/slots/art-roles.ts";

/** The pictures a client supplied, measured. */
export interface Artwork {
  given: Readonly<Partial<Record<ArtRole, Art>>>;
  /** Drawn by hand for single pictures; by slot name, such as android/notification. */
  slots: Readonly<Record<string, Art>>;
  /** What must stay in sight where a picture is cut; fractions of its width and height. */
  focus: { x: number; y: number };
  /** The font that names are lettered in, and who gave it. */
  font?: { file: string; hash: string; given: Traced };
}

export const noArtwork: Artwork = { given: {}, slots: {}, focus: { x: 0.5, y: 0.5 } };

/** Every picture a client supplied, with where its brief names it. */
export const suppliedArt = ({ given, slots }: Artwork): { at: string[]; picture: Art }[] => [
  ...artRoleNames.flatMap((role) => (given[role] ? [{ at: rolePath(role), picture: given[role] }] : [])),
  ...Object.entries(slots).map(([slot, picture]) => ({ at: ["art", "slots", slot], picture })),
];

export type Values = Partial<Record<Field, Traced>>;

/** One client's app, resolved: every value with the way it came about. */
export interface Variant {
  key: string;
  values: Values;
  /** What it is made for: platforms that the client wants and that nothing stops. */
  platforms: readonly Platform[];
  art: Artwork;
  /** What it is called, by language. */
  names: Varying<Names>;
  features: readonly ClientFeature[];
  answers: Readonly<Record<string, Traced>>;
  /** Files the client supplied for the app itself. */
  supplied: readonly Supplied[];
  /** Items of the template's collections, as they stand in their lists. */
  content: Readonly<Record<string, readonly Readonly<Record<string, string | number>>[]>>;
  /** Provisioning profiles of what the app brings along, by target. */
  profiles: Readonly<Record<string, string>>;
  /** Names of the profiles that are kept for it, by the identifiers that they are for. */
  kept: Readonly<Record<string, string>>;
  /** What its icons are marked with, where it is not for the store; a text that no font has is left out. */
  corner?: { text: string; lettered?: Lettered; color: Hex };
  /** Texts of the stores' records, by their paths within the variant. */
  texts: readonly { store: string; path: string; text: string }[];
  /** Pictures of the running app for the stores' records. */
  captures: readonly { store: string; to: string; from: string; hash: string }[];
  /** Privacy policies that are made for it, as Markdown, by language; none where it names one of its own. */
  policies: readonly { language: string; markdown: string }[];
  /** Its name as outlines, by language. */
  lettering: Varying<Lettering>;
}

/** A client's own file that becomes one of its variant's. */
export interface Supplied {
  /** Within the variant. */
  to: string;
  /** Within the workspace. */
  from: string;
  /** SHA-256. */
  hash: string;
  /** Drawn anew, so that nothing but the picture is in it. */
  picture: boolean;
}

/** One of the template's features, as a client has it. */
export interface ClientFeature {
  name: string;
  isOn: boolean;
  /** How that came about: "on" or "off". */
  on: Traced;
  /** What people read when the app asks for it. */
  usage: Varying<Traced>;
}

/** An app's name and label. */
export interface Names {
  direction: "ltr" | "rtl";
  name: Traced;
  label: Traced;
}

/** The same in one language (BCP 47 tag). */
export type LocalName = Names & { locale: string };

/** An app's names in its further languages. */
export const furtherNames = ({ names }: Pick<Variant, "names">): LocalName[] =>
  Object.entries(names.further).map(([locale, each]) => ({ locale, ...each }));

/** A client with what became of it: a variant, unless an error stops all of it. */
export interface Resolved {
  client: Client;
  /** What could be worked out, errors or not. */
  values: Values;
  /** Its pictures, errors or not. */
  art: Artwork;
  variant?: Variant;
  /** What of a variant could be worked out, errors or not: to be told of, never to be made. */
  draft?: Variant;
  problems: readonly Problem[];
}

/** The value of a field that a variant cannot be without. */
export function fieldOf(variant: Variant, field: Field): string {
  const value = variant.values[field]?.value;
  if (value === undefined) throw new Error(`${variant.key} has no ${field}`);
  return value;
}
