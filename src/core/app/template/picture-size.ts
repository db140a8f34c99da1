import { imageSize } from "image-size";
import type { Folder } from "../../ground/files/reading/folder.ts";

/** Width and height of a picture of the template in pixels; undefined where there is none, or it cannot be read. */
export function pictureSize(template: Folder, file: string): { width: number; height: number } | undefined {
  if (!template.has(file)) return undefined;
  try {
    const { width, height } = imageSize(template.bytes(file));
    return width > 0 && height > 0 && width <= mostPixels && height <= mostPixels ? { width, height } : undefined;
  } catch {
    return undefined;
  }
}

/** The longest side of a picture that is drawn in the template's own size, in pixels. */
const mostPixels = 8192;
