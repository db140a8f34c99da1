import { wantedStores } from "../../agency/workspace/wanted.ts";
import type { Client, Workspace } from "../../agency/workspace/workspace.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { placeInBrief, recordFieldNames } from "../../stores/record-fields.ts";
import { tooLong } from "../record/limits.ts";
import type { Cell } from "./row.ts";

/** Which of the cells of a client are longer than a store that it wants takes; each with its heading. */
export function cellsTooLong(
  workspace: Workspace,
  client: Client,
  cells: readonly Cell[],
): { heading: string; problem: Problem }[] {
  const stores = wantedStores(workspace, client);
  return cells.flatMap(({ column: { path }, heading, value }) => {
    const [, , language = ""] = path;
    const field = recordFieldNames.find((each) => placeInBrief(each, language)?.join(".") === path.join("."));
    const text = Array.isArray(value) ? value.join("\n") : String(value);
    const said = new Map(
      stores.flatMap(({ title, record }) =>
        record
          .filter((row) => row.field === field)
          .flatMap((row) => tooLong(`"${row.title}" of ${title}`, row, text))
          .map((each) => [each.message, each] as const),
      ),
    );
    return [...said.values()].map(({ message, expected }) => ({
      heading,
      problem: problem("record-long", message, {
        client: client.key,
        severity: "warning",
        ...(expected ? { expected } : {}),
      }),
    }));
  });
}
