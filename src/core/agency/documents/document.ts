import {
  isMap,
  isScalar,
  LineCounter,
  type Node,
  type Pair,
  parseDocument,
  visit,
  type Document as YamlDocument,
} from "yaml";
import { problem } from "../../ground/problems/problem.ts";
import { refuse, stop } from "../../ground/problems/result.ts";
import { steeringIn } from "../../ground/values/plain-text.ts";
import { type Place, placeAt, type Source } from "../../ground/values/source.ts";
import { inCurrentNames } from "./former.ts";

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

/** Longest file taken, in characters; most values in it. */
const largest = 2 * 1024 * 1024;
const mostNodes = 20_000;

/** Parses YAML 1.2. An empty file is an empty mapping. Stops with every syntax error. */
export function parseYaml(source: Source): Document {
  if (source.text.length > largest)
    refuse("file-too-large", `${source.file} has ${source.text.length} characters; the limit is ${largest}.`);
  refuseDepth(source);
  const lines = new LineCounter();
  const doc = unlessTooDeep(source, () =>
    parseDocument(source.text, { lineCounter: lines, prettyErrors: false, uniqueKeys: false }),
  );
  if (doc.errors.length > 0) {
    stop(
      doc.errors.map((error) =>
        problem("yaml-syntax", `${firstSentence(error.message)}.`, { place: placeAt(source, error.pos[0]) }),
      ),
    );
  }
  refuseNodes(source, doc);
  inCurrentNames(doc);
  const data = unlessTooDeep(source, () => asData(source, doc));
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

/** Aliases that are of no anchor, or that stand for more than all else, are the file's failure. */
function asData(source: Source, doc: YamlDocument.Parsed): unknown {
  try {
    return doc.toJS({ maxAliasCount: 100 }) ?? {};
  } catch (error) {
    if (!(error instanceof ReferenceError)) throw error;
    const name = /\*?([\w-]+)$/.exec(firstSentence(error.message))?.[1] ?? "";
    return refuse("yaml-syntax", `${firstSentence(error.message)}.`, {
      place: placeAt(source, Math.max(0, source.text.indexOf(`*${name}`))),
      expected: "a text that begins with * in quotes",
    });
  }
}

function unlessTooDeep<T>(source: Source, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return refuse("yaml-syntax", `${source.file} is nested too deeply.`, { place: placeAt(source, 0) });
  }
}

/** Names that every object has already. */
const given = new Set(["__proto__", "constructor", "prototype", "toString", "unwrap", "hasOwnProperty"]);

/** Looks at every node: how many there are, what they are called, and that nothing in them cannot be shown. */
function refuseNodes(source: Source, doc: YamlDocument.Parsed): void {
  let nodes = 0;
  visit(doc, {
    Node(key, node) {
      // Worked out only where it is told: it counts lines from the start.
      const at = () => placeAt(source, node.range?.[0] ?? 0);
      if (++nodes > mostNodes)
        refuse("file-too-large", `${source.file} holds more than ${mostNodes} values.`, { place: at() });
      if (!isScalar(node) || typeof node.value !== "string") return;
      if (key === "key" && given.has(node.value))
        refuse("key-unknown", `"${node.value}" cannot be a name.`, { place: at() });
      const found = steeringIn(node.value, true);
      if (found)
        refuse("text-invalid", `Character ${found.at} of this text is ${found.codePoint}, ${found.says}.`, {
          place: at(),
        });
    },
    // The parser's own way compares each key with each.
    Map(_, node) {
      const keys = new Set<unknown>();
      for (const { key } of node.items) {
        if (!isScalar(key)) continue;
        if (keys.has(key.value))
          refuse("yaml-syntax", "Map keys must be unique.", { place: placeAt(source, key.range?.[0] ?? 0) });
        keys.add(key.value);
      }
    },
    Pair(_, pair, path) {
      if (path.length > deepest * 2)
        refuse("yaml-syntax", `${source.file} is nested too deeply.`, {
          place: placeAt(source, (pair.key as Node | undefined)?.range?.[0] ?? 0),
        });
    },
  });
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
      stop([problem("yaml-syntax", `Brackets are nested deeper than ${deepest}.`, { place: placeAt(source, i) })]);
    }
  }
}

const firstSentence = (message: string): string =>
  (message.split("\n")[0] ?? message)
    .replace(/[.:\s]+$/, "")
    .replace("Maximum call stack size exceeded", "This is nested too deeply");
