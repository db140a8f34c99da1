import { relative } from "node:path";
import { isError } from "../../core/ground/problems/problem.ts";
import { type Result, succeed } from "../../core/ground/problems/result.ts";
import { type News, showEvents } from "../../core/operations/events.ts";
import { openListener } from "../../core/operations/listen.ts";
import { type NewsItem, newsSaid } from "../../core/showing/news/news.ts";
import { stores } from "../../core/stores/all.ts";
import { happeningSaid } from "../../core/stores/happening.ts";
import type { GivenTo, Run, With } from "../command.ts";
import { serveUntilEnded } from "../serve.ts";
import { placeData } from "../view/data.ts";
import { showProblems } from "../view/problems.ts";
import { table } from "../view/table.ts";
import { countOf, type Terminal } from "../view/terminal.ts";

export const run: Run<"events"> = (given, using) =>
  given.listen === undefined ? list(given, using) : listen({ ...given, listen: given.listen }, using);

/** What hears listens to this machine alone: what leads there from elsewhere is somebody's own. */
const loopback = "127.0.0.1";

/** Hears until somebody ends it. */
async function listen(
  given: GivenTo<"events"> & { listen: string },
  { terminal, ports }: With,
): Promise<Result<number>> {
  const opened = await openListener(given, ports);
  if (!opened.ok) return opened;
  const { raw, note, err } = terminal;
  const { listeningService } = await import("../../services/messages/service.ts");
  const service = listeningService(opened.value, ({ items, problems, wrong }) => {
    for (const item of items)
      raw(given.json || given.jsonLines ? JSON.stringify(item) : `${item.client}  ${newsSaid(item, "en")}`);
    if (wrong !== undefined) note(err.yellow(`A message was not taken: ${wrong}.`));
    if (problems.length > 0) note(showProblems(problems, err));
  });
  return serveUntilEnded(service, { host: loopback, port: given.listen }, (address) =>
    note(`Hears at ${address}${opened.value.told.length > 0 ? `; told: ${opened.value.told.join(", ")}` : ""}`),
  );
}

const list: Run<"events"> = async ({ store, ...given }, { terminal, ports }) => {
  const done = await showEvents({ ...given, stores: store }, ports);
  if (!done.ok) return done;
  const { items, problems, feed } = done.value;
  if (given.json) terminal.json({ ...done.value, problems: problems.map(placeData) });
  else if (given.jsonLines) for (const item of items) terminal.raw(JSON.stringify(item));
  else if (!given.quiet) show(items, terminal);
  if (!given.json && problems.length > 0) terminal.note(showProblems(problems, terminal.err));
  if (!given.json && !given.quiet && !given.jsonLines)
    showTold(done.value, feed && relative(ports.folder, feed), terminal);
  return succeed(problems.some(isError) ? 1 : 0);
};

function show(items: readonly NewsItem[], { print, out, room }: Terminal): void {
  if (items.length === 0) {
    print("Nothing has happened in stores.");
    return;
  }
  print(
    table(
      ["when", "client", "store", "what"],
      items.map((each) => [
        each.at.slice(0, 16).replace("T", " "),
        each.client,
        stores[each.store].title,
        happeningSaid(each) + (each.by === undefined ? "" : out.dim(` (noted by ${each.by})`)),
      ]),
      out,
      room,
    ),
  );
}

function showTold({ mailed, hooked }: News, feed: string | undefined, { print, out }: Terminal): void {
  if (feed !== undefined) print(`\nThe feed is in ${out.cyan(feed)}`);
  if (mailed !== undefined) print(mailed === 0 ? "Nothing was mailed." : `${countOf(mailed, "event")} mailed.`);
  if (hooked !== undefined) print(hooked === 0 ? "Nothing was sent." : `${countOf(hooked, "event")} sent.`);
}
