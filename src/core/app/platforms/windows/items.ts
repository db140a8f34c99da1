import { posix } from "node:path";
import type { Cut } from "../../../formats/splice/cut.ts";
import { attributeOf, parseXml, walk, type XmlElement } from "../../../formats/splice/formats/xml.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { attempt, orElse } from "../../../ground/problems/result.ts";
import { type Fill, insertedText } from "../../template/found.ts";

/** Project files that list what is packed (Microsoft, MSBuild items). */
const projectForm = /\.(wapproj|csproj|vcxproj|vbproj|vcxproj\.filters)$/i;

/** What an item list says of pictures: entries for those that variants have, none for those they have not. */
export interface ItemLists {
  fills: Fill[];
}

/**
 * Follows the pictures of a package in the project files that list them: an item whose picture no variant has is
 * taken out, and each new picture is listed behind the last that stays, in the form of its neighbours. Lists by a
 * pattern stay.
 * @param gone pictures of the template that no variant gets; @param drawn pictures that every variant has.
 */
export function itemLists(
  template: Folder,
  folder: string,
  gone: ReadonlySet<string>,
  drawn: readonly string[],
): ItemLists {
  const above = posix.dirname(folder);
  const fills = template
    .list()
    .filter((file) => projectForm.test(file) && (above === "." || file.startsWith(`${above}/`)))
    .flatMap((file) => listedIn(template, file, gone, drawn));
  return { fills };
}

function listedIn(template: Folder, file: string, gone: ReadonlySet<string>, drawn: readonly string[]): Fill[] {
  const root = rootOf(template, file);
  if (!root) return [];
  const { text } = template.source(file);
  const items = [...walk(root)].flatMap((element) => {
    const include = attributeOf(element, "Include");
    const path =
      include === undefined
        ? undefined
        : posix.normalize(posix.join(posix.dirname(file), include.replaceAll("\\", "/")));
    return path !== undefined && /\.(png|jpe?g|ico)$/i.test(path) && !/[*?;$]/.test(path)
      ? [{ element, path, include: include ?? "" }]
      : [];
  });
  const pictures = items.filter(({ path }) => gone.has(path) || drawn.includes(path));
  const [model] = pictures;
  if (!model) return [];
  const listed = new Set(items.map(({ path }) => path));
  const folders = new Set(pictures.map(({ path }) => posix.dirname(path)));
  const removed = pictures.filter(({ path }) => gone.has(path) && !drawn.includes(path));
  const added = drawn.filter((path) => !listed.has(path) && folders.has(posix.dirname(path)) && /\.png$/i.test(path));
  const last = pictures.at(-1)?.element ?? model.element;
  const cuts = removed.map(({ element }) => takeOut(file, text, element));
  const indent = /\r?\n[ \t]*$/.exec(text.slice(0, last.start))?.[0] ?? "\n    ";
  const entry = (path: string) => {
    const include = posix.relative(posix.dirname(file), path).replaceAll("/", "\\");
    return `${indent}${text.slice(model.element.start, model.element.end).replace(model.include, include)}`;
  };
  return [...cuts, ...(added.length > 0 ? [insertedText(file, last.end, added.map(entry).join(""))] : [])];
}

function rootOf(template: Folder, file: string): XmlElement | undefined {
  if (textIfAny(template.bytes(file)) === undefined) return undefined;
  return orElse(
    attempt(() => parseXml(template.source(file))),
    undefined,
  );
}

/** An item with the line that it begins. */
function takeOut(file: string, text: string, { start, end }: XmlElement): Fill {
  const blank = /\r?\n[ \t]*$/.exec(text.slice(0, start))?.[0] ?? "";
  const cut: Cut = { file, start: start - blank.length, end };
  return {
    holds: "key",
    site: { ...cut, value: text.slice(cut.start, cut.end), form: "raw" },
    shape: "nothing",
  };
}
