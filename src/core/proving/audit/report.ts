import { write } from "../../formats/splice/forms.ts";
import { type ProblemCode, problemKinds } from "../../ground/problems/catalogue.ts";
import { isError, type Problem } from "../../ground/problems/problem.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Finding } from "./audit.ts";

/** What is reported of a client. */
export type Reported = Pick<Finding, "client" | "problems" | "allowed">;

/** What a report is of: the command, and what is said of a client without findings. */
export interface ReportOf {
  command: "audit" | "check";
  sound: string;
  /** Oxalis's own. */
  version: string;
}

/** Makes a report for a machine of what was found. */
type Reporter = (findings: readonly Reported[], of: ReportOf) => string;

const reporters: Readonly<Record<string, Reporter>> = { ".sarif": sarif, ".xml": junit };

/** The reporter for a file's name. Errors: report-unknown. */
export function reporterFor(file: string): Reporter {
  const ending = Object.keys(reporters).find((each) => file.toLowerCase().endsWith(each));
  const found = ending && reporters[ending];
  return (
    found ||
    refuse("report-unknown", `${file} names no kind of report.`, {
      expected: "a name that ends in .sarif or .xml",
    })
  );
}

/**
 * Static Analysis Results Interchange Format 2.1.0 (OASIS). What is allowed is reported as suppressed, with its
 * reason.
 */
function sarif(findings: readonly Reported[], { version }: ReportOf): string {
  const all = findings.flatMap(({ problems, allowed }) => [
    ...problems.map((problem) => ({ problem, suppressions: [] as object[] })),
    ...allowed.map(({ problem, reason }) => ({
      problem,
      suppressions: [{ kind: "external", justification: reason }],
    })),
  ]);
  const codes = [...new Set(all.map(({ problem }) => problem.code))].sort();
  const driver = { name: "Oxalis", version, rules: codes.map(ruleOf) };
  const results = all.map(({ problem, suppressions }) => ({
    ruleId: problem.code,
    level: problem.severity,
    message: { text: sentence(problem) },
    locations: locationOf(problem),
    properties: { client: problem.client, who: problem.who },
    suppressions,
  }));
  return `${JSON.stringify({ version: "2.1.0", runs: [{ tool: { driver }, results }] }, null, 1)}\n`;
}

const ruleOf = (code: ProblemCode) => ({
  id: code,
  shortDescription: { text: problemKinds[code].title },
  help: { text: problemKinds[code].fix },
});

function locationOf({ place }: Problem): object[] {
  if (!place) return [];
  const region = { startLine: place.line, startColumn: place.column };
  return [{ physicalLocation: { artifactLocation: { uri: encodeURI(place.file) }, region } }];
}

/** The form of test results that build servers take: a suite a client, a case a finding, one where there is none. */
function junit(findings: readonly Reported[], { command, sound }: ReportOf): string {
  const suites = findings.map(({ client, problems, allowed }) => {
    const cases = [
      ...problems.map((each) => caseOf(client, each, resultOf(each))),
      ...allowed.map(({ problem, reason }) => caseOf(client, problem, `<skipped${attribute("message", reason)}/>`)),
    ];
    if (cases.length === 0) cases.push(`<testcase${attribute("classname", client)} name="${sound}"/>`);
    const counts = ` tests="${cases.length}" failures="${problems.filter(isError).length}" skipped="${allowed.length}"`;
    return ` <testsuite${attribute("name", client)}${counts}>\n  ${cases.join("\n  ")}\n </testsuite>`;
  });
  return (
    `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites name="oxalis ${command}">\n${suites.join("\n")}\n` +
    "</testsuites>\n"
  );
}

/** The form has failures, and nothing for what is only told: that is what a case has printed. */
const resultOf = (each: Problem): string =>
  isError(each)
    ? `<failure type="${each.code}"${describe(each)}/>`
    : `<system-out>${write("xml-text", `${each.severity} [${each.code}] ${sentence(each)}`)}</system-out>`;

const caseOf = (client: string, { message }: Problem, result: string): string =>
  `<testcase${attribute("classname", client)}${attribute("name", message)}>${result}</testcase>`;

const describe = (problem: Problem): string => attribute("message", sentence(problem));

const attribute = (name: string, value: string): string => ` ${name}="${write("xml-attribute", value)}"`;

/** What is wrong, where, what was expected and what to do, in one text. */
function sentence({ message, place, expected, fix }: Problem): string {
  const where = place ? ` ${place.file}:${place.line}:${place.column}.` : "";
  return `${message}${where}${expected ? ` Expected: ${expected}.` : ""} ${fix}`;
}
