import { join, resolve } from "node:path";
import type { Asked } from "../ask/asked.ts";
import { type Draft, draftLetter, wordsThere } from "../ask/draft.ts";
import { namesOf, untilProblem } from "../ask/letter.ts";
import { letterPage } from "../ask/page.tsx";
import { fillInSheets } from "../ask/sheet.ts";
import { letterText } from "../ask/text.ts";
import { checkResolved } from "../check/check.ts";
import { resolvePicked } from "../derive/resolve.ts";
import { replaceFile } from "../files/writing/together.ts";
import { writeWhole } from "../files/writing/whole.ts";
import type { Mail } from "../mail/send.ts";
import { accentOf } from "../page/accent.ts";
import { type Problem, problem } from "../problems/problem.ts";
import { attempt, refuse, stop, unwrap } from "../problems/result.ts";
import { askedFile, askedText } from "../record/asked.ts";
import { sheetBytes } from "../roster/sheet.ts";
import { isDay } from "../values/day.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { boardOf } from "./board.ts";
import { chooseClients, type OfClients } from "./chosen.ts";
import { operation } from "./operation.ts";
import type { Ports } from "./ports.ts";
import { type At, inWorkspace } from "./workspace.ts";

interface Input extends At, OfClients {
  into?: string | undefined;
  until?: string | undefined;
  /** Of all letters; otherwise each client's own, or the agency's. */
  language?: string | undefined;
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

interface AllWritten {
  letters: readonly Written[];
  /** Why some clients get none: their language's words cannot be used. */
  problems: readonly Problem[];
}

/** Days that a client has where nobody says. */
const usualDays = 14;

/** Writes each client a letter that asks for what is still missing, and sends it where that is wanted. */
export const askClients = operation((input: Input, ports): Promise<AllWritten> => {
  const { until = daysAfter(ports.today(), usualDays) } = input;
  if (!isDay(until)) stop([untilProblem(until)]);
  return inWorkspace(input, ports, input.send && !input.dryRun, async (workspace) => {
    const chosen = await chooseClients(workspace, input);
    const spoken = input.language === undefined ? undefined : unwrap(wordsThere(workspace.root, input.language));
    const resolved = await resolvePicked(workspace, chosen);
    const { clients } = await checkResolved(workspace, resolved);
    const board = new Map(boardOf(workspace, resolved, ports).map((each) => [each.client, each]));
    const server = input.send ? serverFor(workspace, ports) : undefined;
    const letters: Written[] = [];
    const problems: Problem[] = [];
    for (const checked of clients) {
      const { key } = checked.resolved.client;
      const draft = attempt(() => draftLetter({ workspace, ...checked, standing: board.get(key), until, spoken }));
      if (draft.ok) letters.push(await deliver(workspace, draft.value, { ...input, server }, ports));
      else problems.push(...draft.problems.map((each) => ({ ...each, client: key })));
    }
    return { letters, problems };
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

async function deliver(
  workspace: Workspace,
  { asked, say, letters }: Draft,
  { into = "letters", send, dryRun, server }: Input & { server: ReturnType<typeof serverFor> | undefined },
  ports: Ports,
): Promise<Written> {
  const { name: agency } = workspace.agency.data.agency;
  const sheet = `${asked.client}.xlsx`;
  const text = letterText(asked, sheet, agency, say);
  const outcome = (files: readonly string[], sent: boolean, problems: readonly Problem[] = []): Written => ({
    asked,
    text,
    files,
    sent,
    problems: problems.map((each) => ({ ...each, client: asked.client })),
  });
  // Nobody can tell what was asked before, and a new letter would have to be written into the same file.
  if (!letters.ok) return outcome([], false, letters.problems);
  if (asked.groups.length === 0 || dryRun) return outcome([], false);
  const html = letterPage({ asked, sheet, agency, accent: accentOf(workspace).accent, say });
  const bytes = await sheetBytes(sheet, fillInSheets(asked, say));
  const folder = resolve(ports.folder, into);
  const contents = { [`${asked.client}.txt`]: text, [`${asked.client}.html`]: html, [sheet]: bytes };
  const files = Object.entries(contents).map(([name, content]) => {
    writeWhole(join(folder, name), content);
    return join(folder, name);
  });
  if (!send || !server) return outcome(files, false);
  if (asked.to === undefined)
    return outcome(files, false, [problem("mail-refused", "The client has no e-mail address.")]);
  const mail: Mail = {
    from: `"${agency.replaceAll('"', "'")}" <${server.from}>`,
    to: asked.to,
    subject: say("subject", { name: asked.name }),
    text,
    html,
    attachments: [{ filename: sheet, content: bytes }],
  };
  const sent = await ports.sendMail(server, mail);
  if (!sent.ok) return outcome(files, false, sent.problems);
  const letter = { on: ports.today(), to: asked.to, until: asked.until, things: namesOf(asked.groups) };
  replaceFile(workspace.root, askedFile(asked.client), askedText([...letters.value, letter]));
  return outcome(files, true);
}
