import {
  findNodeAtLocation,
  type JSONPath,
  type Node,
  type ParseError,
  parseTree,
  printParseErrorCode,
} from "jsonc-parser";
import { parsedOnce } from "../../../ground/files/reading/parsed-once.ts";
import { refuse } from "../../../ground/problems/result.ts";
import { placeAt } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** Parses JSON, comments allowed, into nodes with positions. Stops: template-syntax. */
export const parseJson = parsedOnce((source): Node => {
  const errors: ParseError[] = [];
  const text = source.text.replace(/^\uFEFF/, " ");
  const root = parseTree(text, errors, { allowTrailingComma: true });
  const first = errors[0];
  if (first || !root) {
    refuse(
      "template-syntax",
      `${source.file} is not valid JSON: ${first ? printParseErrorCode(first.error) : "empty"}.`,
      {
        place: placeAt(source, first?.offset ?? 0),
      },
    );
  }
  return root;
});

/** The site of a value in a JSON file, quotes included. */
export function jsonSite(file: string, root: Node, path: JSONPath): Site | undefined {
  const node = findNodeAtLocation(root, path);
  return node && nodeSite(file, node);
}

export const nodeSite = (file: string, node: Node): Site => ({
  file,
  start: node.offset,
  end: node.offset + node.length,
  value: typeof node.value === "object" ? "" : String(node.value ?? ""),
  form: "json",
});

/** Every string that is a value, not a key, in document order. */
export function stringNodes(node: Node): Node[] {
  if (node.type === "string") return [node];
  const inside = node.type === "property" ? (node.children ?? []).slice(1) : (node.children ?? []);
  return inside.flatMap(stringNodes);
}

/** Where a new member can be put into an object: behind its last one, or inside its empty braces. */
export function memberSite(file: string, object: Node): { site: Site; indent: string } {
  const last = object.children?.at(-1);
  const at = last ? last.offset + last.length : object.offset + 1;
  return { site: { file, start: at, end: at, value: "", form: "raw" }, indent: last ? ",\n  " : "\n  " };
}
