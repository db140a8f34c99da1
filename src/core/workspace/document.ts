import { isMap, isScalar, LineCounter, type Node, type Pair, parseDocument } from "yaml";
import { type Place, placeAt, type Source } from "../files/source.ts";
import { problem, Refusal } from "../problems/problem.ts";

export type Path = readonly (string | number)[];

/** A YAML file as data, with the way back from any value in it to its line and column. */
export interface Document {
  source: Source;
  data: unknown;
  /** Where a value stands; for a path that is not there, its nearest parent. */
  placeOf(path: Path, part?: "key" | "value"): Place;
}

/** Deepest nesting taken, in levels. */
const deepest = 24;

/** Parses YAML 1.2. An empty file is an empty mapping. Throws a Refusal with every syntax error. */
export function parseYaml(source: Source): Document {
  const lines = new LineCounter();
  const doc = parseDocument(source.text, { lineCounter: lines, prettyErrors: false, uniqueKeys: true });
  if (doc.errors.length > 0) {
    throw new Refusal(
      doc.errors.map((error) =>
        problem("yaml-syntax", `${firstSentence(error.message)}.`, { place: placeAt(source, error.pos[0]) }),
      ),
    );
  }
  refuseDepth(source);
  const data: unknown = doc.toJS({ maxAliasCount: 100 }) ?? {};
  return {
    source,
    data,
    placeOf(path, part = "value") {
      for (let length = path.length; length > 0; length--) {
        const shortened = path.slice(0, length);
        const node = part === "key" || length < path.length ? keyNode(doc.contents, shortened) : undefined;
        const found = node ?? (doc.getIn(shortened, true) as Node | undefined);
        if (found?.range) return placeAt(source, found.range[0]);
      }
      return placeAt(source, 0);
    },
  };
}

function keyNode(root: unknown, path: Path): Node | undefined {
  let node = root;
  for (const [at, step] of path.entries()) {
    if (!isMap(node)) return undefined;
    const pair = (node.items as Pair[]).find((item) => isScalar(item.key) && item.key.value === step);
    if (!pair) return undefined;
    if (at === path.length - 1) return pair.key as Node;
    node = pair.value;
  }
  return undefined;
}

/** Flow brackets nest without indentation, so depth is bounded on the text, before anything recurses over it. */
function refuseDepth(source: Source): void {
  let depth = 0;
  for (let i = 0; i < source.text.length; i++) {
    const character = source.text[i];
    if (character === "[" || character === "{") depth++;
    else if (character === "]" || character === "}") depth--;
    if (depth > deepest) {
      throw new Refusal([
        problem("yaml-syntax", `Brackets are nested deeper than ${deepest}.`, { place: placeAt(source, i) }),
      ]);
    }
  }
}

const firstSentence = (message: string): string =>
  (message.split("\n")[0] ?? message).replace(/[.:\s]+$/, "");
