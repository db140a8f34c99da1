import { extname } from "node:path/posix";
import type { Folder } from "../../../ground/files/reading/folder.ts";
import { icnsSlots, programIcons } from "../../../pictures/slots/program.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import type { PictureUse } from "../../template/found.ts";
import { pictureSize } from "../../template/picture-size.ts";
import { shellIcon, shellSide } from "./catalog.ts";

/** A program's icon in the form that its file has: the Mac's, Windows' or one picture; undefined in any other. */
export function programPicture(template: Folder, path: string): PictureUse | undefined {
  switch (extname(path).toLowerCase()) {
    case ".icns":
      return { slot: icnsSlots.at(-1) as Slot, path, container: "icns", within: icnsSlots };
    case ".ico": {
      const within = programIcons("desktop");
      return { slot: within.at(-1) as Slot, path, container: "ico", within };
    }
    case ".png":
      return { slot: shellIcon(pictureSize(template, path)?.width ?? shellSide), path };
    default:
      return undefined;
  }
}
