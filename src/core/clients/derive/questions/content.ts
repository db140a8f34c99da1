import { extname, posix } from "node:path";
import { asksIn, type Collection } from "../../../agency/workspace/schema/questions.ts";
import type { Client } from "../../../agency/workspace/workspace.ts";
import type { Supplied, Variant } from "../../../app/variant/variant.ts";
import { type Judged, type Problem, problem, sound } from "../../../ground/problems/problem.ts";
import type { Answering } from "./answering.ts";
import { answerFault } from "./rules.ts";
import { suppliedFile } from "./supplied.ts";

type Item = Record<string, string | number>;

/** The items of every collection that the template demands, with their files; what is missing or wrong is told. */
export function clientContent(asked: Answering): Judged<Pick<Variant, "content" | "supplied">> {
  const { workspace, client } = asked;
  const collections = Object.entries(workspace.notes.data.collections).map(([name, collection]) => {
    const given = client.brief?.data.content?.[name] ?? [];
    const items = given.map((item, at) => settleItem(asked, name, collection, item, at));
    return { name, items, miscounted: judgeCount(client, name, collection, given.length) };
  });
  const all = collections.flatMap(({ items }) => items);
  return {
    value: {
      content: Object.fromEntries(collections.map(({ name, items }) => [name, items.map(({ item }) => item)])),
      supplied: all.flatMap(({ supplied }) => supplied),
    },
    problems: collections.flatMap(({ miscounted, items }) => [
      ...miscounted,
      ...items.flatMap(({ problems }) => problems),
    ]),
  };
}

function judgeCount({ brief }: Client, name: string, collection: Collection, count: number): Problem[] {
  const { "at-least": least, "at-most": most, asks = name } = collection;
  if (count >= least && count <= most) return [];
  const place = brief?.document.placeOf(["content", name], "key");
  const expected = count < least ? `at least ${least}` : `at most ${most}`;
  const about = ["content", name];
  return [problem("answer-missing", `${asksIn(asks)}: there are ${count} of ${name}.`, { place, expected, about })];
}

interface SettledItem {
  item: Item;
  supplied: readonly Supplied[];
  problems: readonly Problem[];
}

/** An item's fields as they stand in the list; its files are named as they lie beside it. */
function settleItem(
  asked: Answering,
  name: string,
  collection: Collection,
  item: Readonly<Item>,
  at: number,
): SettledItem {
  const { fields } = collection;
  const path = ["content", name, at];
  const document = asked.client.brief?.document;
  const unknown = Object.keys(item)
    .filter((key) => !Object.hasOwn(fields, key))
    .map((key) =>
      problem("answer-unknown", `Items of ${name} have no ${key}.`, {
        place: document?.placeOf([...path, key], "key"),
        expected: `one of ${Object.keys(fields).join(", ")}`,
      }),
    );
  const settled = Object.keys(fields).map((key) => ({
    key,
    ...settleValue(asked, { name, collection, at, key, value: item[key] }),
  }));
  return {
    item: Object.fromEntries(settled.flatMap(({ key, value }) => (value === undefined ? [] : [[key, value]]))),
    supplied: settled.flatMap(({ supplied }) => supplied ?? []),
    problems: [...unknown, ...settled.flatMap(({ problems }) => problems)],
  };
}

interface Given {
  name: string;
  collection: Collection;
  at: number;
  key: string;
  value: string | number | undefined;
}

function settleValue(
  asked: Answering,
  { name, collection, at, key, value }: Given,
): Judged<string | number | undefined> & { supplied?: Supplied } {
  const { fields, to, index } = collection;
  const field = fields[key] as Collection["fields"][string];
  const path = ["content", name, at];
  const document = asked.client.brief?.document;
  const what = `${name} ${at + 1}: ${key}`;
  const nothing = (...problems: Problem[]) => ({ value: undefined, problems });
  if (value === undefined)
    return field.optional
      ? nothing()
      : nothing(problem("answer-missing", `${what} is missing.`, { place: document?.placeOf(path) }));
  const text = String(value).normalize("NFC");
  const fault = answerFault(what, text, field);
  if (fault) {
    const place = document?.placeOf([...path, key]);
    return nothing(problem("answer-invalid", fault.message, { place, expected: fault.expected }));
  }
  if (field.kind !== "file" && field.kind !== "picture") return sound(field.kind === "number" ? Number(text) : text);
  const target = posix.join(to, `${key}-${at + 1}${extname(text).toLowerCase()}`);
  const wanted = { ...field, kind: field.kind, at: [...path, key], to: target };
  const file = suppliedFile(asked, text, wanted);
  if (!file.ok) return nothing(...file.problems);
  return { ...sound(posix.relative(posix.dirname(index), target)), supplied: file.value };
}
