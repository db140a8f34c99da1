import type { OccurrenceKind } from "../../../app/template/occurrence.ts";
import type { PlaceKind } from "../place-kinds.ts";

/** What of a template's identity a value is. */
export type TermKind = Exclude<OccurrenceKind, "color">;

/** Which kind of place each stands in, and why. @public for the docs, which list them */
export const termPlaces: Readonly<Record<TermKind, { place: PlaceKind; reason: string }>> = {
  name: { place: "seen", reason: "under the icon, in lists, in menus, at the head of a page" },
  owner: { place: "seen", reason: "as publisher in stores and in what a system says of a program" },
  email: { place: "seen", reason: "whoever needs help writes there" },
  host: { place: "seen", reason: "where links lead, and whose links open the app" },
  identifier: { place: "identifies", reason: "one app to a system, a store, a service that pushes" },
  scheme: { place: "identifies", reason: "addresses that open this app and no other" },
  team: { place: "identifies", reason: "whose signature an app carries" },
  fingerprint: { place: "identifies", reason: "which signature opens a site's addresses" },
  installer: {
    place: "identifies",
    reason: "by which an installer knows a program: it replaces whatever has the same",
  },
};

/** A kind of place that carries something of an app's identity, whatever reads it. */
export interface Carrier {
  kind: TermKind;
  /** Of the file; any where absent. */
  file?: RegExp;
  /** Of what leads to the value. */
  key: RegExp;
  /** The part of the value that counts; all of it where absent. */
  part?: RegExp;
}
