import { extname, posix } from "node:path";
import { problem, Refusal } from "../problems/problem.ts";
import type { Collection } from "../workspace/schema/questions.ts";
import { answerFault } from "./answer-rules.ts";
import type { Asked } from "./answers.ts";
import { suppliedFile } from "./supplied.ts";
import type { Supplied, Variant } from "./variant.ts";

type Item = Record<string, string | number>;

/** The items of every collection that the template demands, with their files; what is missing or wrong is told. */
export function clientContent(asked: Asked): Pick<Variant, "content" | "supplied"> {
  const { workspace, client, problems } = asked;
  const content: Record<string, Item[]> = {};
  const supplied: Supplied[] = [];
  for (const [name, collection] of Object.entries(workspace.notes.data.collections)) {
    const given = client.brief?.data.content?.[name] ?? [];
    const least = collection["at-least"];
    const most = collection["at-most"];
    if (given.length < least || given.length > most) {
      problems.push(
        problem("answer-missing", `${collection.asks ?? name}: there are ${given.length} of ${name}.`, {
          place: client.brief?.document.placeOf(["content", name], "key"),
          expected: given.length < least ? `at least ${least}` : `at most ${most}`,
        }),
      );
    }
    content[name] = given.map((item, at) => settledItem(asked, name, collection, item, at, supplied));
  }
  return { content, supplied };
}

/** An item's fields as they stand in the list; its files are named as they lie beside it. */
function settledItem(
  { problems, ...asked }: Asked,
  name: string,
  { fields, to, index }: Collection,
  item: Readonly<Item>,
  at: number,
  supplied: Supplied[],
): Item {
  const settled: Item = {};
  const path = ["content", name, at];
  const document = asked.client.brief?.document;
  for (const key of Object.keys(item).filter((each) => !Object.hasOwn(fields, each)))
    problems.push(
      problem("answer-unknown", `Items of ${name} have no ${key}.`, {
        place: document?.placeOf([...path, key], "key"),
        expected: `one of ${Object.keys(fields).join(", ")}`,
      }),
    );
  for (const [key, field] of Object.entries(fields)) {
    const value = item[key];
    const place = document?.placeOf([...path, key]);
    const what = `${name} ${at + 1}: ${key}`;
    if (value === undefined) {
      if (!field.optional)
        problems.push(problem("answer-missing", `${what} is missing.`, { place: document?.placeOf(path) }));
      continue;
    }
    const text = String(value).normalize("NFC");
    const fault = answerFault(what, text, field);
    if (fault) problems.push(problem("answer-invalid", fault.message, { place, expected: fault.expected }));
    else if (field.kind === "file" || field.kind === "picture") {
      const target = posix.join(to, `${key}-${at + 1}${extname(text).toLowerCase()}`);
      try {
        const file = suppliedFile({ problems, ...asked }, text, {
          ...field,
          kind: field.kind,
          at: [...path, key],
          to: target,
        });
        supplied.push(file);
        settled[key] = posix.relative(posix.dirname(index), target);
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
        problems.push(...error.problems);
      }
    } else settled[key] = field.kind === "number" ? Number(text) : text;
  }
  return settled;
}
