import { join, resolve } from "node:path";
import { type Asked, namesOf, thingsOf, untilProblem } from "../ask/letter.ts";
import { letterPage } from "../ask/page.tsx";
import { fillInSheets } from "../ask/sheet.ts";
import { letterText } from "../ask/text.ts";
import { sayIn } from "../ask/words/say.ts";
import { resolvePicked } from "../derive/resolve.ts";
import { replaceFile } from "../files/writing/together.ts";
import { writeWhole } from "../files/writing/whole.ts";
import type { Mail } from "../mail/send.ts";
import { accentOf } from "../page/accent.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { attempt, refuse, stop } from "../problems/result.ts";
import { askedFile, askedText, readAsked } from "../record/asked.ts";
import type { Recorded } from "../record/read.ts";
import { sheetBytes } from "../roster/sheet.ts";
import { isDay } from "../values/day.ts";
import { type PageLanguage, pageLanguageOf } from "../values/page-language.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { boardOf, type OnBoard } from "./board.ts";
import { chooseClients, type OfClients } from "./chosen.ts";
import { operation } from "./operation.ts";
import type { Ports } from "./ports.ts";
import { type At, inWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  into?: string | undefined;
  until?: string | undefined;
  language?: PageLanguage | undefined;
  send: boolean;
  dryRun: boolean;
}

/** What became of a client's letter. */
export interface Written {
  asked: Asked;
  text: string;
  /** Its files; none of a dry run, and none where nothing is missing. */
  files: readonly string[];
  sent: boolean;
  problems: readonly Problem[];
}

/** Days that a client has where nobody says. */
const usualDays = 14;

/** Writes each client a letter that asks for what is still missing, and sends it where that is wanted. */
export const askClients = operation((input: Input, ports): Promise<Written[]> => {
  const { until = daysAfter(ports.today(), usualDays) } = input;
  if (!isDay(until)) stop([untilProblem(until)]);
  return inWorkspace(input, ports, input.send && !input.dryRun, async (workspace) => {
    const resolved = await resolvePicked(workspace, await chooseClients(workspace, input));
    const board = new Map(boardOf(workspace, resolved, ports).map((each) => [each.client, each]));
    const server = input.send ? serverFor(workspace, ports) : undefined;
    const written: Written[] = [];
    for (const each of resolved.picked)
      written.push(await writeLetter(workspace, each, board.get(each.client.key), { ...input, until }, ports, server));
    return written;
  });
});

const daysAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

function serverFor(workspace: Workspace, { secret }: Ports) {
  const address = secret("OXALIS_SMTP");
  const from = workspace.agency.data.agency.email;
  if (!address) refuse("mail-refused", "OXALIS_SMTP names no mail server.");
  if (!from) refuse("mail-refused", "The agency has no e-mail address to send from: agency.email in oxalis.yaml.");
  return { address, password: secret("OXALIS_SMTP_PASSWORD"), from };
}

async function writeLetter(
  workspace: Workspace,
  resolved: Recorded,
  standing: OnBoard | undefined,
  { into = "letters", until, language: wanted, send, dryRun }: Input & { until: string },
  ports: Ports,
  server: ReturnType<typeof serverFor> | undefined,
): Promise<Written> {
  const { client, values } = resolved;
  const { agency, defaults } = workspace.agency.data;
  const language = wanted ?? pageLanguageOf(values.locale?.value, agency.language, defaults.locale);
  const say = sayIn(language);
  const read = attempt(() => readAsked(workspace.root, client.key));
  const letters = read.ok ? read.value : [];
  const before = letters.at(-1);
  const asked: Asked = {
    client: client.key,
    name: values["app.name"]?.value ?? client.key,
    owner: values.owner?.value ?? client.key,
    to: values.email?.value,
    language,
    until,
    ...(before ? { before: before.on } : {}),
    groups: thingsOf(resolved, standing, before, say, agency),
  };
  const sheet = `${client.key}.xlsx`;
  const text = letterText(asked, sheet, agency.name, say);
  const outcome = (files: readonly string[], sent: boolean, problems: readonly Problem[] = []): Written => ({
    asked,
    text,
    files,
    sent,
    problems: problems.map((each) => ({ ...each, client: client.key })),
  });
  // Nobody can tell what was asked before, and a new letter would have to be written into the same file.
  if (!read.ok) return outcome([], false, read.problems);
  if (asked.groups.length === 0 || dryRun) return outcome([], false);
  const html = letterPage({ asked, sheet, agency: agency.name, accent: accentOf(workspace).accent, say });
  const bytes = await sheetBytes(sheet, fillInSheets(asked, say));
  const folder = resolve(ports.folder, into);
  const contents = { [`${client.key}.txt`]: text, [`${client.key}.html`]: html, [sheet]: bytes };
  const files = Object.entries(contents).map(([name, content]) => {
    writeWhole(join(folder, name), content);
    return join(folder, name);
  });
  if (!send || !server) return outcome(files, false);
  if (asked.to === undefined)
    return outcome(files, false, [problem("mail-refused", "The client has no e-mail address.")]);
  const mail: Mail = {
    from: `"${agency.name.replaceAll('"', "'")}" <${server.from}>`,
    to: asked.to,
    subject: say("subject", { name: asked.name }),
    text,
    html,
    attachments: [{ filename: sheet, content: bytes }],
  };
  const sent = await ports.sendMail(server, mail);
  if (!sent.ok) return outcome(files, false, sent.problems);
  const letter = { on: ports.today(), to: asked.to, until, things: namesOf(asked.groups) };
  replaceFile(workspace.root, askedFile(client.key), askedText([...letters, letter]));
  return outcome(files, true);
}
