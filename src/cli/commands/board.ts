import { relative } from "node:path";
import wrapAnsi from "wrap-ansi";
import type { PlatformBuilt } from "../../core/agency/history/builds.ts";
import type { Passage } from "../../core/clients/passage/passage.ts";
import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import type { StoreKey } from "../../core/ground/values/store.ts";
import { lookAtBoard } from "../../core/operations/board.ts";
import type { ClientStanding } from "../../core/proving/standing/clients.ts";
import { findingsOf, isComplete, isCompleteEverywhere, nextOf } from "../../core/proving/standing/clients.ts";
import { type Settles, settlesMost } from "../../core/proving/standing/settles.ts";
import { builtOnBoard, placeSaid, speakingOn } from "../../core/showing/board/saying.ts";
import { allStores } from "../../core/stores/all.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { isShown as isTold } from "../view/problems.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

/** A terminal speaks English, as all commands do. */
const inEnglish = speakingOn("en");

export const run: Run<"board"> = async (given, { terminal, ports }) => {
  const looked = await lookAtBoard(given, ports);
  if (!looked.ok) return looked;
  const { clients, page } = looked.value;
  if (given.json) terminal.json({ clients: clients.map(asData), ...(page ? { page } : {}) });
  else if (given.csv) await showCsv(clients, terminal);
  else show(clients, ports.today(), terminal);
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

function show(clients: readonly ClientStanding[], today: string, terminal: Terminal): void {
  const { out, err, settings, print, note, room } = terminal;
  const told = clients.flatMap(findingsOf).filter((each) => isTold(each, settings));
  if (told.length > 0 && (settings.verbose || settings.quiet))
    note(`${showGrouped(told, settings.verbose === true, err)}\n`);
  if (settings.quiet) return;
  const used = allStores.filter(({ key }) => clients.some((each) => each.stores.some(({ store }) => store === key)));
  const most = settlesMost(clients);
  if (most.length > 0)
    print(
      `${table(
        ["settles most", "clients"],
        most.map((each) => settling(each, terminal)),
        out,
        room,
      )}\n`,
    );
  const hasBuilds = clients.some(({ built }) => built);
  const drawn = table(
    ["client", ...used.map(({ title }) => title), ...(hasBuilds ? ["built"] : [])],
    clients.map((each) => [
      each.client,
      ...used.map(({ key }) => meter(each, key, terminal)),
      ...(hasBuilds ? [builtOnBoard(each.built ?? [], inEnglish).join("; ")] : []),
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
  print(`\n${countOf(clients.length, "client")}, ${done} complete for every store.`);
  if (settings.verbose) for (const each of clients) showHolding(each, terminal);
}

function meter(each: ClientStanding, key: StoreKey, { out }: Terminal): string {
  const standing = each.stores.find(({ store }) => store === key);
  // Of a brief that cannot be used, nobody knows what it wants.
  if (!standing) return each.record ? out.dim("not wanted") : out.red("unknown");
  const passage = each.passages.find(({ store }) => store === key);
  const { required, recommended } = standing;
  if (passage && isComplete(standing)) return placed(passage, out);
  const more = recommended.total > 0 ? out.dim(` +${recommended.done}/${recommended.total}`) : "";
  return isComplete(standing)
    ? `${out.green("complete")}${more}`
    : `${out.yellow(`${required.done} of ${required.total}`)}${more}`;
}

/** Where a whole record's app is: what waits for somebody stands out. */
function placed(passage: Passage, out: Terminal["out"]): string {
  const said = placeSaid(passage, inEnglish);
  if (passage.is === "live") return out.green(said);
  return passage.is === "refused" || passage.is === "asked" || passage.is === "unusable"
    ? out.red(said)
    : out.yellow(said);
}

function settling({ what, who, clients }: Settles, { out, settings }: Terminal): string[] {
  const named = settings.verbose ? `: ${clients.join(", ")}` : "";
  return [`${what} ${out.dim(`(${who})`)}`, `${clients.length}${named}`];
}

/** What comes next for a client, who acts and since when, on lines of its own; none where nothing does. */
function nextSaid(each: ClientStanding, today: string, { out, room }: Terminal): string[] {
  const next = nextOf(each);
  if (!next) return [];
  const waits = [
    next.who,
    ...(next.since && next.since < today ? [`since ${next.since}`] : []),
    ...(each.asked ? [`asked on ${each.asked}`] : []),
  ];
  const indent = "  ";
  const said = `${next.message} ${out.dim(`(${waits.join(", ")})`)}`;
  const lines = Number.isFinite(room) ? wrapAnsi(said, Math.max(20, room - indent.length)).split("\n") : [said];
  return lines.map((line) => `${indent}${line.trim()}`);
}

/** A client on a terminal in which its stores have no room beside each other. */
const block = (
  each: ClientStanding,
  used: readonly { key: StoreKey; title: string }[],
  today: string,
  terminal: Terminal,
): string[] => [
  terminal.out.bold(each.client),
  ...used.map(({ key, title }) => `  ${title}: ${meter(each, key, terminal)}`),
  ...(each.built ? [`  built: ${builtOnBoard(each.built, inEnglish).join("; ")}`] : []),
  ...nextSaid(each, today, terminal),
];

/** How many rules hold for a client in each store; JSON names them. */
function showHolding({ client, stores: all }: ClientStanding, { print, out }: Terminal): void {
  for (const { title, passed, creation } of all) {
    const first = creation.length > 0 ? `for its creation lacks ${creation.join(", ")}` : "ready for creation";
    print(`${out.bold(client)}, ${title}: ${first}; ${countOf(passed.length, "rule")} hold`);
  }
}
