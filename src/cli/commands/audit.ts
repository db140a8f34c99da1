import { resolve } from "node:path";
import { audit, type Finding } from "../../core/audit/audit.ts";
import { reporterFor } from "../../core/audit/report.ts";
import { version } from "../version.ts";
import { placed } from "../view/data.ts";
import { showProblem, showProblems } from "../view/problems.ts";
import { counted, openTerminal, type Settings, type Terminal } from "../view/terminal.ts";
import { openWorkspace } from "../view/workspace.ts";
import { writeWhole } from "../view/write-whole.ts";

interface Options {
  report?: string;
}

export async function run(keys: string[], options: Settings & Options): Promise<number> {
  const terminal = openTerminal(options);
  const { report } = options;
  const reporter = report === undefined ? undefined : reporterFor(report);
  const findings = await audit(openWorkspace(options), keys);
  if (report !== undefined && reporter) writeWhole(resolve(report), reporter(findings, version));
  if (options.json) terminal.json({ clients: findings.map(asData) });
  else show(findings, terminal);
  return findings.some((each) => each.problems.length > 0) ? 1 : 0;
}

const asData = ({ client, files, problems, allowed }: Finding): object => ({
  client,
  files,
  problems: problems.map(placed),
  allowed: allowed.map(({ problem, reason }) => ({ reason, problem: placed(problem) })),
});

/** Most problems shown of one client, unless --verbose asks for all. */
const mostShown = 8;

function show(findings: readonly Finding[], terminal: Terminal): void {
  const { out, err, settings, print, note } = terminal;
  const longest = Math.max(...findings.map((each) => each.client.length));
  for (const { client: key, files, problems, allowed } of findings) {
    const client = key.padEnd(longest);
    if (problems.length > 0) {
      print(`${out.red("✗")} ${client}  ${out.red(counted(problems.length, "finding"))}`);
    } else if (!settings.quiet) {
      const excused = allowed.length > 0 ? `; ${counted(allowed.length, "exception")} allowed` : "";
      print(
        `${out.green("✓")} ${client}  ${out.dim(`${counted(files, "file")}: whole, up to date, nothing of the template${excused}`)}`,
      );
    }
    const shown = settings.verbose ? problems : problems.slice(0, mostShown);
    if (shown.length > 0) note(`\n${showProblems(shown, err)}\n`);
    const more = problems.length - shown.length;
    if (more > 0) note(`   … and ${more} more; --verbose shows all.\n`);
    if (settings.verbose)
      for (const { problem, reason } of allowed)
        note(`${showProblem(problem, err)}\n   ${err.green("allowed")}   ${reason}\n`);
  }
  if (settings.quiet) return;
  const bad = findings.filter((each) => each.problems.length > 0).length;
  const head = `${counted(findings.length, "variant")} audited: `;
  print(
    bad === 0
      ? out.green(`${head}all whole, nothing of the template left.`)
      : out.red(`${head}${bad} with findings.`),
  );
}
