import { extname } from "node:path/posix";
import type { Slot } from "../../pictures/slots/slot.ts";
import type { PictureUse } from "./found.ts";

/** Forms in which a picture stands by itself, by their endings. */
const forms: Readonly<Record<string, { container?: "svg" | "jpeg" | "webp" }>> = {
  ".png": {},
  ".svg": { container: "svg" },
  ".jpg": { container: "jpeg" },
  ".jpeg": { container: "jpeg" },
  ".webp": { container: "webp" },
};

/** A picture of the template as it is drawn, in the form that its name says; undefined where nobody here draws that. */
export function pictureUse(slot: Slot, path: string): PictureUse | undefined {
  const form = forms[extname(path).toLowerCase()];
  // A JPEG has no alpha channel.
  return form && { slot: form.container === "jpeg" ? { ...slot, alpha: "none" } : slot, path, ...form };
}
