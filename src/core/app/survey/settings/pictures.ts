import type { Folder } from "../../../ground/files/reading/folder.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import { androidSlots } from "../../platforms/android/catalog.ts";
import { iosIconSlots, iosStartForms, iosStartFull } from "../../platforms/apple/catalog.ts";
import { shellSide } from "../../platforms/desktop/catalog.ts";
import { programPicture } from "../../platforms/desktop/program-picture.ts";
import { favicon } from "../../platforms/web/manifest.ts";
import type { PictureUse } from "../../template/found.ts";
import { pictureSize } from "../../template/picture-size.ts";
import { pictureUse } from "../../template/picture-use.ts";

interface Size {
  width: number;
  height: number;
}

/** A row of a catalog in the size that the template's own picture has. */
const resize = (slot: Slot, { width, height }: Size): Slot => ({
  ...slot,
  width,
  height,
  qualifier: width === slot.width && height === slot.height ? slot.qualifier : `${width}x${height}`,
});

const row = (slots: readonly Slot[], is: (slot: Slot) => boolean): Slot => {
  const found = slots.find(is);
  if (!found) throw new Error("a picture of settings is in no catalog");
  return found;
};

const ofAndroid = (role: string): Slot =>
  row(androidSlots, (slot) => slot.role === role && slot.qualifier === "xxxhdpi");
const ofIos = (qualifier: string): Slot => row(iosIconSlots, (slot) => slot.qualifier === qualifier);

/** What a picture that settings name stands for: its row, and its size where the template has none. */
const kinds = {
  icon: { slot: ofIos("universal"), size: 1024 },
  "icon-dark": { slot: ofIos("universal-dark"), size: 1024 },
  "icon-tinted": { slot: ofIos("universal-tinted"), size: 1024 },
  foreground: { slot: ofAndroid("adaptive-foreground"), size: 1024 },
  background: { slot: ofAndroid("adaptive-background"), size: 1024 },
  monochrome: { slot: ofAndroid("adaptive-monochrome"), size: 1024 },
  notification: { slot: ofAndroid("notification"), size: 96 },
  start: { slot: iosStartForms({ width: 1024, height: 1024 }, 1)[0], size: 1024 },
  "start-dark": { slot: iosStartForms({ width: 1024, height: 1024 }, 1)[1], size: 1024 },
  "start-full": { slot: iosStartFull({ width: 1284, height: 2778 }, 1)[0], size: 2778 },
  favicon: { slot: undefined, size: 48 },
  shell: { slot: undefined, size: shellSide },
} as const satisfies Record<string, { slot: Slot | undefined; size: number }>;

export type PictureKind = keyof typeof kinds;

/** How a picture that settings name is drawn; undefined where its form is none that Oxalis writes. */
export function settingsPicture(template: Folder, kind: PictureKind, path: string): PictureUse | undefined {
  const { slot, size } = kinds[kind];
  const has = pictureSize(template, path) ?? { width: size, height: size };
  if (kind === "favicon") return /\.(png|ico|svg)$/i.test(path) ? favicon(path, String(has.width))[0] : undefined;
  if (kind === "shell") return programPicture(template, path);
  return slot && /\.(png|svg)$/i.test(path) ? pictureUse(resize(slot, has), path) : undefined;
}
