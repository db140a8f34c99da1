import { relative } from "node:path";
import wrapAnsi from "wrap-ansi";
import type { PlatformBuilt } from "../../core/agency/history/builds.ts";
import type { Passage } from "../../core/clients/passage/passage.ts";
import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import { lookAtBoard } from "../../core/operations/board.ts";
import type { BoardWord } from "../../core/pages/words/en/board.ts";
import type { ClientStanding } from "../../core/proving/standing/clients.ts";
import { findingsOf, isComplete, isCompleteEverywhere, nextOf } from "../../core/proving/standing/clients.ts";
import { type Settles, settlesMost } from "../../core/proving/standing/settles.ts";
import {
  builtOnBoard,
  clientsSaid,
  findingSaid,
  placeSaid,
  type Speaking,
  settlesSaid,
  speakingOn,
  whoWords,
} from "../../core/showing/board/saying.ts";
import { allStores } from "../../core/stores/all.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { isShown as isTold } from "../view/problems.ts";
import { table } from "../view/table.ts";
import type { Terminal } from "../view/terminal.ts";

/** What programs read is in English. */
const inEnglish = speakingOn("en");

/** A terminal, and the language in which it shows the board. */
type Shown = Terminal & { speaking: Speaking };

export const run: Run<"board"> = async (given, { terminal, ports }) => {
  const looked = await lookAtBoard(given, ports);
  if (!looked.ok) return looked;
  const { clients, language, page } = looked.value;
  if (given.json) terminal.json({ clients: clients.map(asData), ...(page ? { page } : {}) });
  else if (given.csv) await showCsv(clients, terminal);
  else show(clients, ports.today(), { ...terminal, speaking: speakingOn(language) });
  if (page && !given.json && !given.quiet)
    terminal.note(`The board is in ${terminal.err.cyan(relative(ports.folder, page) || page)}`);
  return mapResult(looked, () => (clients.some((each) => findingsOf(each).some(isError)) ? 1 : 0));
};

const asData = (each: ClientStanding): object => ({
  client: each.client,
  name: each.name,
  asked: each.asked ?? null,
  ...(each.built ? { built: each.built.map(builtData) } : {}),
  stores: each.stores.map(({ store, required, recommended, creation, parts, lines, captures, ...more }) => ({
    store,
    required,
    recommended,
    creation,
    parts,
    lines,
    captures,
    answers: more.answers,
    problems: more.problems.map(placeData),
    passed: more.passed,
  })),
  passages: each.passages.map(passageData),
  due: each.due.map(placeData),
  problems: each.problems.map(placeData),
});

const passageData = ({ happened: _, ...passage }: Passage): object => passage;

const builtData = ({ platform, good, failed }: PlatformBuilt): object => ({
  platform,
  ...(good ? { version: good.version, build: good.build, on: good.on } : {}),
  ...(failed === undefined ? {} : { failed }),
});

async function showCsv(clients: readonly ClientStanding[], { raw }: Terminal): Promise<void> {
  const { csvText } = await import("../../core/clients/roster/sheet.ts");
  const head = allStores.flatMap(({ key }) => [`${key} done`, `${key} required`, `${key} recommended`, `${key} is`]);
  const rows = clients.map((each) => [
    each.client,
    each.name,
    ...allStores.flatMap(({ key }) => {
      const own = each.stores.find(({ store }) => store === key);
      const passage = each.passages.find(({ store }) => store === key);
      const is = passage ? placeSaid(passage, inEnglish) : "";
      return [...(own ? [own.required.done, own.required.total, own.recommended.done].map(String) : ["", "", ""]), is];
    }),
    nextOf(each)?.message ?? "",
    nextOf(each)?.who ?? "",
    nextOf(each)?.since ?? "",
    each.asked ?? "",
  ]);
  raw(csvText([["client", "name", ...head, "next", "who acts", "since", "asked"], ...rows]).trimEnd());
}

function show(clients: readonly ClientStanding[], today: string, terminal: Shown): void {
  const { out, err, settings, print, note, room, speaking } = terminal;
  const { say } = speaking;
  const told = clients.flatMap(findingsOf).filter((each) => isTold(each, settings));
  if (told.length > 0 && (settings.verbose || settings.quiet))
    note(`${showGrouped(told, settings.verbose === true, err)}\n`);
  if (settings.quiet) return;
  const used = allStores.filter(({ key }) => clients.some((each) => each.stores.some(({ store }) => store === key)));
  const most = settlesMost(clients);
  if (most.length > 0)
    print(
      `${table(
        [heading("most", speaking), heading("ofClients", speaking)],
        most.map((each) => settling(each, terminal)),
        out,
        room,
      )}\n`,
    );
  const hasBuilds = clients.some(({ built }) => built);
  const drawn = table(
    [
      heading("client", speaking),
      ...used.map(({ title }) => title),
      ...(hasBuilds ? [heading("built", speaking)] : []),
    ],
    clients.map((each) => [
      each.client,
      ...used.map(({ key }) => meter(each, key, terminal)),
      ...(hasBuilds ? [builtOnBoard(each.built ?? [], speaking).join("; ")] : []),
    ]),
    out,
    room,
  ).split("\n");
  // What is next stands below its client, where there is room for it; a line that was broken says nothing by itself.
  const isWhole = drawn.length === clients.length + 1;
  print(
    isWhole
      ? [drawn[0], ...clients.flatMap((each, at) => [drawn[at + 1], ...nextSaid(each, today, terminal)])].join("\n")
      : clients.flatMap((each) => block(each, used, today, terminal)).join("\n"),
  );
  const done = clients.filter(isCompleteEverywhere).length;
  print(`\n${say("sum", { clients: clientsSaid(clients.length, speaking), done })}`);
  if (settings.verbose) for (const each of clients) showHolding(each, terminal);
}

/** As tables here have it: small, but in a language that writes its nouns large. */
const heading = (word: BoardWord, { say, language }: Speaking): string =>
  language === "de" ? say(word) : say(word).toLocaleLowerCase(language);

function meter(each: ClientStanding, key: StoreKey, { out, speaking }: Shown): string {
  const { say } = speaking;
  const standing = each.stores.find(({ store }) => store === key);
  // Of a brief that cannot be used, nobody knows what it wants.
  if (!standing) return each.record ? out.dim(say("notWanted")) : out.red(say("unknown"));
  const passage = each.passages.find(({ store }) => store === key);
  const { required, recommended } = standing;
  if (passage && isComplete(standing)) return placed(passage, out, speaking);
  const more = recommended.total > 0 ? out.dim(` +${recommended.done}/${recommended.total}`) : "";
  return isComplete(standing)
    ? `${out.green(say("complete"))}${more}`
    : `${out.yellow(say("doneOf", { ...required }))}${more}`;
}

/** Where a whole record's app is: what waits for somebody stands out. */
function placed(passage: Passage, out: Terminal["out"], speaking: Speaking): string {
  const said = placeSaid(passage, speaking);
  if (passage.is === "live") return out.green(said);
  return passage.is === "refused" || passage.is === "asked" || passage.is === "unusable"
    ? out.red(said)
    : out.yellow(said);
}

function settling(each: Settles, { out, settings, speaking }: Shown): string[] {
  const { who, clients } = each;
  const named = settings.verbose ? `: ${clients.join(", ")}` : "";
  return [`${settlesSaid(each, speaking)} ${out.dim(`(${speaking.say(whoWords[who])})`)}`, `${clients.length}${named}`];
}

/** What comes next for a client, who acts and since when, on lines of its own; none where nothing does. */
function nextSaid(each: ClientStanding, today: string, { out, room, speaking }: Shown): string[] {
  const { say } = speaking;
  const next = nextOf(each);
  if (!next) return [];
  const waits = [
    say(whoWords[next.who]),
    ...(next.since && next.since < today ? [say("since", { day: next.since })] : []),
    ...(each.asked ? [say("asked", { day: each.asked })] : []),
  ];
  const indent = "  ";
  const said = `${findingSaid(next, speaking)} ${out.dim(`(${waits.join(", ")})`)}`;
  const lines = Number.isFinite(room) ? wrapAnsi(said, Math.max(20, room - indent.length)).split("\n") : [said];
  return lines.map((line) => `${indent}${line.trim()}`);
}

/** A client on a terminal in which its stores have no room beside each other. */
const block = (
  each: ClientStanding,
  used: readonly { key: StoreKey; title: string }[],
  today: string,
  terminal: Shown,
): string[] => [
  terminal.out.bold(each.client),
  ...used.map(({ key, title }) => `  ${title}: ${meter(each, key, terminal)}`),
  ...(each.built
    ? [`  ${heading("built", terminal.speaking)}: ${builtOnBoard(each.built, terminal.speaking).join("; ")}`]
    : []),
  ...nextSaid(each, today, terminal),
];

/** How many rules hold for a client in each store; JSON names them. */
function showHolding({ client, stores: all }: ClientStanding, { print, out, speaking: { say } }: Shown): void {
  for (const { title, passed, creation } of all) {
    const first = creation.length > 0 ? say("forCreation", { what: creation.join(", ") }) : say("readyForCreation");
    const holding = passed.length === 1 ? say("oneRule") : say("rules", { count: passed.length });
    print(`${out.bold(client)}, ${title}: ${first} ${holding}.`);
  }
}
