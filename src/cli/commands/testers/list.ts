import { mapResult } from "../../../core/ground/problems/result.ts";
import { listTesters, type TesterStanding } from "../../../core/operations/testers.ts";
import type { Run } from "../../command.ts";
import { placeData } from "../../view/data.ts";
import { showProblems } from "../../view/problems.ts";
import { table } from "../../view/table.ts";
import { countOf } from "../../view/terminal.ts";

export const run: Run<"testers"> = async (given, { terminal, ports }) => {
  const done = await listTesters(given, ports);
  if (!done.ok) return done;
  const { testers, people, problems } = done.value;
  const { json, raw, print, note, out, err, room } = terminal;
  if (given.json) json({ people, testers, problems: problems.map(placeData) });
  else if (given.csv) {
    const { csvText } = await import("../../../core/clients/roster/sheet.ts");
    raw(csvText([headings, ...testers.map(rowOf)]).trimEnd());
  } else if (!given.quiet) {
    if (testers.length > 0) print(table(headings, testers.map(rowOf), out, room));
    if (people.length === 0) {
      print("Nobody tries the apps yet: `oxalis testers import <sheet>` takes people in.");
      return mapResult(done, () => 0);
    }
    const apps = new Set(testers.map(({ client }) => client)).size;
    const came = testers.filter(({ trying }) => trying.came).length;
    print(
      `\n${countOf(people.length, "tester")}, for ${countOf(apps, "app")}: ${came} of ${testers.length} have come.`,
    );
  }
  if (!given.json && problems.length > 0) note(showProblems(problems, err));
  return mapResult(done, () => 0);
};

const headings = ["client", "name", "address", "group", "consent", "invited", "came", "build"];

const rowOf = ({ client, name, address, group, track, consent, trying }: TesterStanding): string[] => [
  client,
  name,
  address,
  `${group} (${track})`,
  consent ?? "not given",
  trying.invited ? `${trying.invited}${trying.state === "unsure" ? "?" : ""}` : "",
  trying.came ?? "",
  trying.build === undefined ? "" : String(trying.build),
];
