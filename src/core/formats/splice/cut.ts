import { findNodeAtLocation } from "jsonc-parser";
import type { Source } from "../../ground/values/source.ts";
import { htmlAttribute, htmlElements } from "./formats/html.ts";
import { parseJson } from "./formats/json.ts";
import { entry, type OpenStep } from "./formats/openstep.ts";
import type { XmlElement } from "./formats/xml.ts";
import type { Edit } from "./site.ts";

/** A part of a file that can be taken out as a whole; offsets into its text, end excluded. */
export interface Cut {
  file: string;
  start: number;
  end: number;
  /** In a list whose parts stand between commas: every part of it, this one included. */
  siblings?: readonly { start: number; end: number }[];
}

/** Back over the blanks in front of a part, to the line end before them. */
function withIndent(text: string, start: number): number {
  const blank = /\r?\n[ \t]*$|[ \t]+$/.exec(text.slice(0, start))?.[0] ?? "";
  return start - blank.length;
}

/** An element with its content and the blanks in front of it. */
export const elementCut = (file: string, text: string, { start, end }: XmlElement): Cut => ({
  file,
  start: withIndent(text, start),
  end,
});

/** A key of a property list's dictionary, with its value. */
export const keyCuts = (file: string, text: string, root: XmlElement, keys: readonly string[]): Cut[] => {
  const children = root.children[0]?.children ?? [];
  return children.flatMap((key, at) => {
    const value = children[at + 1];
    if (key.name !== "key" || !value || !keys.includes(key.text)) return [];
    return [{ file, start: withIndent(text, key.start), end: value.end }];
  });
};

/** A key of an OpenStep group, with its value and the semicolon behind it. */
export function openStepCuts(file: string, text: string, group: OpenStep | undefined, keys: readonly string[]): Cut[] {
  if (group?.kind !== "group") return [];
  return keys.flatMap((key) => {
    const value = entry(group, key);
    const from = group.keys.get(key);
    if (!value || from === undefined) return [];
    const closed = value.kind === "string" ? value.end : value.end + 1;
    return [{ file, start: withIndent(text, from), end: text.indexOf(";", closed) + 1 }];
  });
}

/** A member of a JSON object. */
export function memberCuts(file: string, source: Source, names: readonly string[]): Cut[] {
  const root = parseJson(source);
  return names.flatMap((name) => {
    const member = findNodeAtLocation(root, [name])?.parent;
    if (!member) return [];
    const siblings = (member.parent?.children ?? []).map(({ offset, length }) => ({
      start: offset,
      end: offset + length,
    }));
    return [{ file, start: member.offset, end: member.offset + member.length, siblings }];
  });
}

/** An element of a page, by its id, with the blanks in front of it. */
export const pageCuts = (file: string, source: Source, ids: readonly string[]): Cut[] =>
  htmlElements(source).flatMap((element) => {
    const id = htmlAttribute(element, "id");
    const place = element.sourceCodeLocation;
    if (!place || id === undefined || !ids.some((each) => each.replace(/^#/, "") === id)) return [];
    return [{ file, start: withIndent(source.text, place.startOffset), end: place.endOffset }];
  });

/** One file's edits with parts taken out: what would be written inside them goes with them. */
export function withCuts(edits: readonly Edit[], cuts: readonly Cut[]): Edit[] {
  const gone = mergeCuts(cuts.map((cut) => (cut.siblings ? betweenCommas(cut, cut.siblings, cuts) : cut)));
  const isInside = ({ start, end }: Edit, cut: { start: number; end: number }) =>
    start === end ? cut.start < start && end < cut.end : cut.start <= start && end <= cut.end;
  const outside = edits.filter((edit) => !gone.some((cut) => isInside(edit, cut)));
  return [...outside, ...gone.map(({ start, end }) => ({ start, end, text: "" }))];
}

/** The range that goes with a part of a list, so that commas stand between what is left and nowhere else. */
function betweenCommas(cut: Cut, siblings: NonNullable<Cut["siblings"]>, all: readonly Cut[]): Cut {
  const isCut = ({ start }: { start: number }) => all.some((each) => each.siblings && each.start === start);
  const at = siblings.findIndex(({ start }) => start === cut.start);
  const before = siblings.slice(0, at).findLast((each) => !isCut(each));
  const after = siblings.slice(at + 1).find((each) => !isCut(each));
  if (before) return { ...cut, start: before.end };
  if (after) return { ...cut, end: after.start };
  const last = siblings.at(-1) ?? cut;
  return { ...cut, start: Math.min(cut.start, siblings[0]?.start ?? cut.start), end: last.end };
}

function mergeCuts(cuts: readonly Cut[]): { start: number; end: number }[] {
  const result: { start: number; end: number }[] = [];
  for (const { start, end } of [...cuts].sort((a, b) => a.start - b.start || b.end - a.end)) {
    const last = result.at(-1);
    if (last && start < last.end) last.end = Math.max(last.end, end);
    else result.push({ start, end });
  }
  return result;
}
