import { extname } from "node:path/posix";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Folder } from "../../ground/files/reading/folder.ts";
import { problem } from "../../ground/problems/problem.ts";
import { allOf, fail, type Result, succeed, unwrap } from "../../ground/problems/result.ts";
import type { Platform } from "../../ground/values/platform.ts";
import { type OwnKind, ownKinds } from "../../pictures/slots/drawable-kinds.ts";
import { ownSlot } from "../../pictures/slots/own.ts";
import { icnsSlots, programIcons } from "../../pictures/slots/program.ts";
import type { PartSurvey, PictureUse } from "../template/found.ts";
import { pictureSize } from "../template/picture-size.ts";
import { pictureUse } from "../template/picture-use.ts";

/**
 * A picture of the template that template.yaml names, as it is drawn for a client: in the size and the form that it
 * has.
 */
function ownPicture(template: Folder, platform: Platform, file: string, draw: OwnKind): PictureUse | undefined {
  const size = pictureSize(template, file) ?? { width: 512, height: 512 };
  const slot = ownSlot(platform, draw, size);
  switch (extname(file).toLowerCase()) {
    case ".ico": {
      const within = programIcons(platform === "desktop" ? "desktop" : "windows");
      return { slot, path: file, container: "ico", within };
    }
    case ".icns":
      return { slot, path: file, container: "icns", within: icnsSlots };
    default:
      return pictureUse(slot, file);
  }
}

/** What a picture most likely is, by its name and its shape. */
export function drawnAs(template: Folder, file: string): OwnKind {
  const { width, height } = pictureSize(template, file) ?? { width: 1, height: 1 };
  const name = file.toLowerCase();
  const said = ownKinds.find((kind) => new RegExp(hints[kind]).test(name));
  if (width / height > 1.8) return "wide";
  if (said) return said;
  return width === height ? "icon" : "start";
}

/** Words in a file's name that tell what it is. */
const hints: Readonly<Record<OwnKind, string>> = {
  mono: "mono|stencil|notification|ic_stat|badge",
  wide: "wide|banner|social|og-image|opengraph|feature",
  start: "splash|launch(?!er)|start(?!-mark)",
  ground: "background|ground|texture",
  mark: "logo|mark|foreground|brand",
  icon: "icon|launcher|favicon|tile",
};

/** Pictures that template.yaml names, on the first part whose folder they lie in. */
export function withOwnPictures({ notes }: Workspace, folder: Folder, parts: readonly PartSurvey[]): PartSurvey[] {
  const named = notes.data.pictures.map(({ file, draw }, at): Result<{ part: PartSurvey; use: PictureUse }[]> => {
    const place = notes.document.placeOf(["pictures", at, "file"]);
    const own =
      parts.find((part) => part.folder !== "" && file.startsWith(`${part.folder}/`)) ??
      parts.find((part) => part.folder === "") ??
      parts[0];
    if (!folder.has(file)) return fail(problem("file-missing", `${file} is not in the template.`, { place }));
    if (!own) return succeed([]);
    const use = ownPicture(folder, own.platform, file, draw);
    const expected = "one that ends in .png, .svg, .jpg, .webp, .ico or .icns";
    return use
      ? succeed([{ part: own, use }])
      : fail(problem("fill-not-found", `${file} is no picture that Oxalis writes.`, { place, expected }));
  });
  const uses = unwrap(allOf(named)).flat();
  return parts.map((part) => {
    const own = uses.filter((each) => each.part === part).map(({ use }) => use);
    if (own.length === 0) return part;
    const paths = new Set(own.map(({ path }) => path));
    return {
      ...part,
      pictures: [...part.pictures.filter(({ path }) => !paths.has(path)), ...own],
      brandFiles: [...new Set([...part.brandFiles, ...paths])].sort(),
    };
  });
}
