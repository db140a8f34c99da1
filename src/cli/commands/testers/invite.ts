import { isError } from "../../../core/ground/problems/problem.ts";
import { mapResult } from "../../../core/ground/problems/result.ts";
import { type Invited, inviteTesters } from "../../../core/operations/invite-testers.ts";
import type { Run } from "../../command.ts";
import { placeData } from "../../view/data.ts";
import { showProblems } from "../../view/problems.ts";
import { countOf, type Terminal } from "../../view/terminal.ts";

export const run: Run<"testers invite"> = async (given, { terminal, ports }) =>
  mapResult(await inviteTesters(given, ports), ({ invited, problems }) => {
    if (given.json) terminal.json({ dryRun: given.dryRun, invited, problems: problems.map(placeData) });
    else {
      if (problems.length > 0) terminal.note(showProblems(problems, terminal.err));
      if (!given.quiet) show(invited, given.dryRun, terminal);
    }
    return problems.some(isError) ? 1 : 0;
  });

const said: Readonly<Record<Invited["state"], string>> = {
  sent: "invited",
  unsure: "may have been invited; --again sends it once more",
  refused: "not sent",
  would: "would be invited",
  was: "was invited to this version before",
  nothing: "there is nothing to try yet: no store has them as testers, and no page is served",
};

function show(invited: readonly Invited[], dryRun: boolean, { print, out }: Terminal): void {
  for (const { client, address, state, subject, text } of invited) {
    const mark =
      state === "sent" || state === "was" ? out.green("✓") : state === "would" ? out.cyan("→") : out.yellow("!");
    print(`${mark} ${client}  ${address}  ${out.dim(said[state])}`);
    if (dryRun && state === "would") print(`\n${out.bold(subject)}\n\n${text.trimEnd().replace(/^/gm, "    ")}\n`);
  }
  const sent = invited.filter(({ state }) => state === "sent").length;
  print(dryRun ? out.dim("Nothing was sent.") : `${countOf(sent, "invitation")} sent.`);
}
