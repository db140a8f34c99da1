import { readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { expect } from "vitest";
import { follow } from "./advice.ts";
import { oxalis } from "./oxalis.ts";

/** What `aroundFiles` makes, and what is asked of it. */

/** A picture that shows something, so many pixels wide, without an alpha channel. */
export const picture = (side: number): Promise<Buffer> =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8" width="${side}" height="${side}">
      <path fill="#24507a" d="M0 0h8v8H0z"/><circle cx="4" cy="4" r="3" fill="#fd4"/><path d="M2 4h2v3H2z"/></svg>`,
    ),
  )
    .removeAlpha()
    .png()
    .toBuffer();

/** A set of an app's icon with one picture, and the sizes that it stands for. */
export const iconSet = async (
  folder: string,
  images: readonly object[] = [{ filename: "icon.png", idiom: "universal", platform: "ios", size: "1024x1024" }],
): Promise<Record<string, string | Uint8Array>> => ({
  [`${folder}/AppIcon.appiconset/Contents.json`]: `${JSON.stringify({ images, info: { version: 1, author: "xcode" } })}\n`,
  [`${folder}/AppIcon.appiconset/icon.png`]: await picture(1024),
});

const variant = (root: string) => join(root, "variants/kelp");
const template = (root: string) => join(root, "app");

/** A text of the client's variant. */
export const made = (root: string, file: string): string => readFileSync(join(variant(root), file), "utf8");

/** Whether a picture is no longer the template's. */
export const isDrawn = (root: string, drawn: string): boolean =>
  !readFileSync(join(variant(root), drawn)).equals(readFileSync(join(template(root), drawn)));

/** How wide a picture of the variant is. */
export const widthOf = async (root: string, drawn: string): Promise<number | undefined> =>
  (await sharp(join(variant(root), drawn)).metadata()).width;

/** Follows the audit's advice to the letter, and generates. */
export function settle(root: string): void {
  follow(root, JSON.parse(oxalis(root, "audit", "--json").out).causes);
  expect(oxalis(root, "generate")).toMatchObject({ code: 0 });
}

/** What the audit still says once its lines are followed to the letter. */
export function settled(root: string): string {
  settle(root);
  return oxalis(root, "audit").err;
}
