import { mapResult } from "../../core/ground/problems/result.ts";
import { auditVariants } from "../../core/operations/audit.ts";
import type { Audited, ContentLeft, Finding } from "../../core/proving/audit/audit.ts";
import { type CauseFound, causesOf } from "../../core/proving/audit/causes.ts";
import type { Run } from "../command.ts";
import { showCause } from "../view/causes.ts";
import { placeData } from "../view/data.ts";
import { showProblem } from "../view/problems.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"audit"> = async (given, { terminal, ports }) =>
  mapResult(await auditVariants(given, ports), (audited) => {
    const { findings, beside } = audited;
    const data = () => ({ clients: findings.map(asData), causes: causesOf(findings).map(causeData) });
    if (given.json) terminal.json({ ...data(), beside: beside.map(placeData) });
    else show(audited, terminal);
    return beside.length > 0 || findings.some(({ problems }) => problems.length > 0) ? 1 : 0;
  });

/** Places of code, each once, however many variants have it. */
const uniqueCode = (findings: readonly Finding[]) => [
  ...new Map(findings.flatMap(({ code }) => code).map((hit) => [`${hit.file}:${hit.line}:${hit.text}`, hit])).values(),
];

const causeData = ({ problem, clients, places, settle, questions }: CauseFound): object => ({
  code: problem.code,
  ...(problem.cause?.text === undefined ? {} : { text: problem.cause.text }),
  clients,
  places: places.map(({ text: _, message: __, said: ___, ...place }) => place),
  settle,
  questions,
});

const asData = ({ client, files, problems, allowed, code, content }: Finding): object => ({
  client,
  files,
  code: code.length,
  content,
  problems: problems.map(placeData),
  allowed: allowed.map(({ problem, reason }) => ({ reason, problem: placeData(problem) })),
});

/** Most causes shown, unless --verbose asks for all. */
const mostShown = 8;

/** What people see of the template, each file once, however many variants have it. */
const contentIn = (findings: readonly Finding[]): ContentLeft[] => [
  ...new Map(findings.flatMap(({ content }) => content).map((each) => [each.file, each])).values(),
];

/** How much of the template's content there is, and whether somebody meant it to be. */
function contentSaid(findings: readonly Finding[]): string {
  const all = contentIn(findings);
  const open = all.filter(({ reason }) => reason === undefined).length;
  if (all.length === 0) return "";
  const of = `; content of the template: ${countOf(all.length, "file")}`;
  return open === 0
    ? `${of}, kept as you said`
    : `${of}, ${open === all.length ? "" : `${open} of them `}yours to decide`;
}

/** Names what nobody has decided: what people see in every app alike. */
function tellContent(findings: readonly Finding[], { out, print, settings }: Terminal): void {
  const open = contentIn(findings).filter(({ reason }) => reason === undefined);
  if (open.length === 0) return;
  const most = settings.verbose ? open.length : mostContent;
  for (const { file, says } of open.slice(0, most)) print(`${out.yellow("?")} ${file}  ${out.dim(says)}`);
  if (open.length > most) print(out.dim(`  and ${open.length - most} more; --verbose lists them`));
  print(
    out.dim(
      "People see this of the template in every app. What all have in common, say under shared in template.yaml.",
    ),
  );
}

/** Files of content that are named, unless --verbose asks for all. */
const mostContent = 5;

function show({ findings, beside }: Audited, terminal: Terminal): void {
  const { out, err, settings, print, note } = terminal;
  const longest = Math.max(...findings.map((each) => each.client.length));
  for (const { client: key, files, problems, allowed } of findings) {
    const client = key.padEnd(longest);
    if (problems.length > 0) {
      print(`${out.red("✗")} ${client}  ${out.red(countOf(problems.length, "finding"))}`);
    } else if (!settings.quiet) {
      const excused = allowed.length > 0 ? `; ${countOf(allowed.length, "exception")} allowed` : "";
      print(
        `${out.green("✓")} ${client}  ` +
          `${out.dim(`${countOf(files, "file")}: whole, up to date, nothing of the template's identity${excused}`)}`,
      );
    }
  }
  const causes = causesOf(findings);
  const shown = settings.verbose ? causes : causes.slice(0, mostShown);
  if (shown.length > 0)
    note(`\n${shown.map((each) => showCause(each, findings.length, settings.verbose === true, err)).join("\n\n")}\n`);
  const unseen = causes.length - shown.length;
  if (unseen > 0) note(`   … and ${countOf(unseen, "cause")} more; --verbose shows all.\n`);
  if (beside.length > 0)
    note(`${shown.length > 0 ? "" : "\n"}${beside.map((each) => showProblem(each, err)).join("\n\n")}\n`);
  if (settings.verbose) {
    for (const { problem, reason } of findings.flatMap(({ allowed }) => allowed))
      note(`${showProblem(problem, err)}\n   ${err.green("allowed")}   ${reason}\n`);
    for (const hit of uniqueCode(findings))
      note(`${err.cyan(`${hit.file}:${hit.line}`)}  "${hit.text}"  ${err.dim(hit.reason)}`);
  }
  if (settings.quiet) return;
  tellContent(findings, terminal);
  const bad = findings.filter((each) => each.problems.length > 0).length;
  const head = `${countOf(findings.length, "variant")} audited: `;
  const code = uniqueCode(findings).length;
  if (code > 0)
    print(
      out.dim(
        `The template's names stand ${countOf(code, "time")} where only code refers to them, and may; ` +
          "--verbose lists them.",
      ),
    );
  const found = bad === 0 ? "all whole, nothing of the template's identity left" : `${bad} with findings`;
  const more = beside.length === 0 ? "" : `; beside them, ${countOf(beside.length, "finding")}`;
  const color = bad + beside.length === 0 ? out.green : out.red;
  print(color(`${head}${found}${contentSaid(findings)}${more}.`));
}
