import type { PageLanguage } from "../../ground/values/page-language.ts";
import { type Platform, platforms } from "../../ground/values/platform.ts";
import type { Slot } from "../../pictures/slots/slot.ts";
import { allStores, picturesFor } from "../../stores/all.ts";
import { definitions } from "../platforms/all.ts";

/**
 * Every picture of a platform and its stores, as it stands in the catalogs; behind the others, what only some apps
 * want.
 */
function slotsOf(platform: Platform): Slot[] {
  const slots = [...definitions[platform].slots, ...picturesFor(platform)];
  return [...slots.filter(({ only }) => !only), ...slots.filter(({ only }) => only)];
}

export const allSlots: readonly Slot[] = platforms.flatMap(slotsOf);

/** What a designer would call pictures of a role; the role itself where nobody would call it anything. */
export const titleOf = (platform: Platform, role: string, language: PageLanguage): string =>
  (definitions[platform].titles[role] ?? allStores.find(({ titles }) => titles[role])?.titles[role])?.[language] ??
  role;

/** What a slot can be called by: its platform and role, and its qualifier where only one picture is meant. */
export const namesOf = ({ platform, role, qualifier }: Slot): [string, string] => [
  `${platform}/${role}/${qualifier}`,
  `${platform}/${role}`,
];

export const slotNames: ReadonlySet<string> = new Set(allSlots.flatMap(namesOf));

/** Pictures that differ in nothing but their size. */
export interface SlotFamily {
  /** The role, and the form where there are several: "icon, dark". */
  name: string;
  form?: Variation;
  first: Slot;
  /** Smallest first. */
  slots: readonly Slot[];
}

/** The slots in families, in the catalogs' order. */
export function families(slots: readonly Slot[]): SlotFamily[] {
  const found = new Map<string, Slot[]>();
  for (const slot of slots) {
    const { platform, from, alpha, tone, ground, rule } = slot;
    const key = JSON.stringify([platform, familyName(slot), from, alpha, tone, ground, rule]);
    found.set(key, [...(found.get(key) ?? []), slot]);
  }
  return [...found.values()].map((each) => ({
    name: familyName(each[0] as Slot),
    ...withForm(each[0] as Slot),
    first: each[0] as Slot,
    slots: each.sort((a, b) => a.width - b.width),
  }));
}

/** A form of a picture beside others of its role. */
export type Variation = "dark" | "tinted" | "unplated" | "target sizes";

const forms: readonly { form: Variation; is: RegExp }[] = [
  { form: "dark", is: /-(dark|night)$/ },
  { form: "tinted", is: /-tinted$/ },
  { form: "unplated", is: /unplated$/ },
  { form: "target sizes", is: /^targetsize-\d+$/ },
];

function withForm({ qualifier }: Slot): { form?: Variation } {
  const form = forms.find(({ is }) => is.test(qualifier))?.form;
  return form ? { form } : {};
}

function familyName(slot: Slot): string {
  const { form } = withForm(slot);
  return form ? `${slot.role}, ${form}` : slot.role;
}

/** How a safe zone is said: its shape and its share of the canvas. */
export const zoneSaid = ({ safe }: Slot): string =>
  safe.shape === "circle"
    ? `circle, ${percent(safe.share)}`
    : safe.share === 1
      ? "whole canvas"
      : `box, ${percent(safe.share)}`;

const percent = (share: number): string => `${Math.round(share * 100)} %`;

export const alphaSaid: Readonly<Record<Slot["alpha"], string>> = {
  none: "opaque",
  kept: "transparent",
  only: "alpha only",
};

const sources: Readonly<Record<Slot["from"], string>> = {
  icon: "icon, or mark on ground",
  mark: "mark",
  mono: "mono, or mark's shape",
  wide: "wide, or mark",
  ground: "ground",
};

/** What a slot is drawn from, in the order in which it is looked for. */
export const fromSaid = ({ from, covers }: Slot): string => (covers ? `${covers}, or ${sources[from]}` : sources[from]);
