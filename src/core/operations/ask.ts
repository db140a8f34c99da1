import { join } from "node:path";
import type { Workspace } from "../agency/workspace/workspace.ts";
import { resolvePicked } from "../clients/derive/resolve.ts";
import { fillInBytes } from "../clients/roster/fill-in.ts";
import { ofClient, type Problem } from "../ground/problems/problem.ts";
import { attempt, attemptAsync, stop, unwrap } from "../ground/problems/result.ts";
import { daysAfter, isDay } from "../ground/values/day.ts";
import { accentOf } from "../pages/parts/accent.ts";
import { checkResolved } from "../proving/check/check.ts";
import { boardOf } from "../proving/standing/board.ts";
import type { Asked } from "../showing/letters/asked.ts";
import { draftLetter, type LetterDraft, wordsThere } from "../showing/letters/draft.ts";
import { untilProblem, usualDays } from "../showing/letters/letter.ts";
import { letterPage } from "../showing/letters/page.tsx";
import { fillInSheet } from "../showing/letters/sheet.ts";
import { letterText } from "../showing/letters/text.ts";
import { chooseClients, chooseNamed, type OfClients } from "./running/chosen.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import type { Ports } from "./running/ports.ts";
import { noteByHand, openPost, type Post } from "./running/post.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At, OfClients {
  into?: string | undefined;
  until?: string | undefined;
  /** Of all letters; otherwise each client's own, or the agency's. */
  language?: string | undefined;
  send: boolean;
  /** Nothing is written nor sent, but noted as sent: somebody has sent it by hand. */
  sent: boolean;
  /** Also what was sent today already, or may have arrived. */
  again: boolean;
  dryRun: boolean;
}

/** What became of a client's letter: unsure is one that was handed to a server, and may have arrived. */
export type LetterState = "nothing" | "shown" | "written" | "sent" | "unsure";

export interface WrittenLetter {
  asked: Asked;
  text: string;
  /** Its files; none of a dry run, and none where nothing is missing. */
  files: readonly string[];
  state: LetterState;
  problems: readonly Problem[];
}

interface AllWritten {
  letters: readonly WrittenLetter[];
  /** Why some clients get none, and what is wrong with all of them. */
  problems: readonly Problem[];
}

/** Writes each client a letter that asks for what is still missing, and sends it where that is wanted. */
export const askClients = operation(async (input: Input, ports): Promise<AllWritten> => {
  const { until = daysAfter(ports.today(), usualDays) } = input;
  if (!isDay(until)) stop([untilProblem(until)]);
  const workspace = await openWorkspace(input, ports);
  const post = input.send && !input.dryRun ? openPost(workspace, input.again, ports) : undefined;
  const { drafts, problems } = await draftAll(workspace, { ...input, until }, ports);
  const letters: WrittenLetter[] = [];
  for (const draft of drafts) letters.push(await deliver(workspace, draft, { ...input, post }, ports));
  return { letters, problems: [...problems, ...(post?.problems() ?? [])] };
});

/** Every client's letter, each by itself: what is wrong with one stops no other. */
async function draftAll(
  workspace: Workspace,
  input: Input & { until: string },
  ports: Ports,
): Promise<{ drafts: LetterDraft[]; problems: Problem[] }> {
  // A letter that is only said to have been sent is somebody's in particular.
  const chosen = await (input.sent ? chooseNamed(workspace, input, "clients-none") : chooseClients(workspace, input));
  const spoken = input.language === undefined ? undefined : unwrap(wordsThere(workspace.root, input.language));
  const resolved = await resolvePicked(workspace, chosen);
  const { clients } = await checkResolved(workspace, resolved);
  const board = new Map(boardOf(workspace, resolved, ports.today()).map((each) => [each.client, each]));
  const drafts: LetterDraft[] = [];
  const problems: Problem[] = [];
  for (const view of clients) {
    const { client } = view;
    // What it lacks is not known: that nothing has to be asked for would be a guess.
    const isUnread = client.brief === undefined && client.rest === undefined;
    const draft = isUnread
      ? { ok: false as const, problems: client.problems }
      : attempt(() => draftLetter({ workspace, view, standing: board.get(client.key), until: input.until, spoken }));
    if (draft.ok) drafts.push(draft.value);
    else problems.push(...ofClient(client.key, draft.problems));
  }
  return { drafts, problems };
}

/** Writes a letter, and sends it. What the system refuses is this client's alone. */
async function deliver(
  workspace: Workspace,
  draft: LetterDraft,
  input: Input & { post: Post | undefined },
  ports: Ports,
): Promise<WrittenLetter> {
  const { asked, say, letters } = draft;
  const { name: agency } = workspace.agency.data.agency;
  const sheet = `${asked.client}.xlsx`;
  const text = letterText(asked, sheet, agency, say);
  const outcome = (state: LetterState, files: readonly string[], problems: readonly Problem[] = []): WrittenLetter => ({
    asked,
    text,
    files,
    state,
    problems: [...draft.problems, ...ofClient(asked.client, problems)],
  });
  // Nobody can tell what was asked before, and a new letter would have to be written into the same file.
  if (!letters.ok) return outcome("nothing", [], letters.problems);
  if (asked.groups.length === 0) return outcome("nothing", []);
  if (input.dryRun) return outcome("shown", []);
  if (input.sent) {
    const noted = await attemptAsync(() => noteByHand(workspace, asked, ports));
    return noted.ok ? outcome("sent", []) : outcome("nothing", [], noted.problems);
  }
  const html = letterPage({ asked, sheet, agency, accent: accentOf(workspace).accent, say });
  const bytes = await fillInBytes(fillInSheet(asked, say));
  const contents = { [`${asked.client}.txt`]: text, [`${asked.client}.html`]: html, [sheet]: bytes };
  const written = attempt(() =>
    Object.entries(contents).map(([name, content]) => {
      const named = input.into === undefined ? undefined : join(input.into, name);
      return writeOutput(workspace.root, ports, { named, usual: `letters/${name}` }, content);
    }),
  );
  if (!written.ok) return outcome("nothing", [], written.problems);
  const { post } = input;
  if (!post) return outcome("written", written.value);
  const subject = say("subject", { name: asked.name });
  const attachments = [{ filename: sheet, content: bytes }];
  const sending = await attemptAsync(() => post.send(asked, { subject, text, html, attachments }));
  return sending.ok
    ? outcome(sending.value.state, written.value, sending.value.problems)
    : outcome("written", written.value, sending.problems);
}
