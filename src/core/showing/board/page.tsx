import { renderToStaticMarkup } from "preact-render-to-string";
import { isError, type Problem } from "../../ground/problems/problem.ts";
import type { Who } from "../../ground/problems/who.ts";
import { Head } from "../../pages/parts/head.tsx";
import top from "../../pages/parts/top.css";
import {
  type ClientStanding,
  findingsOf,
  isComplete,
  isCompleteEverywhere,
  nextOf,
} from "../../proving/standing/clients.ts";
import type { LineStanding, Part, Standing } from "../../proving/standing/standing.ts";
import { allStores } from "../../stores/all.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import script from "./page.client.js?raw";
import style from "./style.css";

export interface BoardModel {
  agency: string;
  accent: string;
  onAccent: string;
  clients: readonly ClientStanding[];
  /** As 2026-03-01: since when something waits is told where that is not today. */
  today: string;
}

/** The board as one page that opens from disk: what is in it is inside, nothing is fetched. */
export const boardPage = (model: BoardModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, accent, onAccent, clients, today }: BoardModel) {
  const used = allStores.filter(({ key }) => clients.some((each) => each.stores.some(({ store }) => store === key)));
  const done = clients.filter(isCompleteEverywhere).length;
  return (
    <html lang="en">
      <Head title={`Board · ${agency}`} accent={accent} onAccent={onAccent} style={`${top}\n${style}`} />
      <body>
        <header class="top">
          <p>{agency}</p>
          <h1>Board</h1>
          <p class="lead">
            {clients.length} {clients.length === 1 ? "client" : "clients"}, {done} complete for every store. Whoever is
            nearest to done comes first.
          </p>
        </header>
        <search>
          <form class="filters">
            <label>
              Client <input type="search" name="text" autocomplete="off" />
            </label>
            <label>
              Store{" "}
              <select name="store">
                <option value="">any</option>
                {used.map(({ key, title }) => (
                  <option value={key} key={key}>
                    {title}
                  </option>
                ))}
              </select>
            </label>
            <label>
              State{" "}
              <select name="state">
                <option value="">any</option>
                <option value="open">something is missing</option>
                <option value="done">complete</option>
              </select>
            </label>
            <label>
              Who acts{" "}
              <select name="who">
                <option value="">anybody</option>
                <option value="client">client</option>
                <option value="producer">producer</option>
                <option value="designer">designer</option>
                <option value="developer">developer</option>
              </select>
            </label>
            <output name="count">{clients.length} shown</output>
          </form>
        </search>
        <main style={`--stores:${used.length}`}>
          {clients.map((each, at) => (
            <Row standing={each} at={at} used={used} today={today} key={each.client} />
          ))}
        </main>
        <dialog aria-labelledby="sheet-name" />
        <script type="application/json" id="data" dangerouslySetInnerHTML={{ __html: dataOf(clients, today) }} />
        <script dangerouslySetInnerHTML={{ __html: script }} />
      </body>
    </html>
  );
}

interface RowProps {
  standing: ClientStanding;
  at: number;
  /** Stores that some client wants. */
  used: readonly StoreDefinition[];
  today: string;
}

function Row({ standing, at, used, today }: RowProps) {
  const { client, name, stores: all } = standing;
  const next = nextOf(standing);
  const waits = [
    ...(next?.since && next.since < today ? [`since ${next.since}`] : []),
    ...(standing.asked ? [`asked on ${standing.asked}`] : []),
  ];
  return (
    <button
      type="button"
      class="row"
      data-at={at}
      data-text={`${client} ${name}`.toLowerCase()}
      data-done={isCompleteEverywhere(standing) ? "1" : undefined}
      data-open={all
        .filter((each) => !isComplete(each))
        .map(({ store }) => store)
        .join(" ")}
      data-stores={all.map(({ store }) => store).join(" ")}
      data-who={[
        ...new Set(
          findingsOf(standing)
            .filter(isError)
            .map(({ who }) => who),
        ),
      ].join(" ")}
    >
      <span class="client">
        <b dir="auto">{name}</b>
        <small>{client}</small>
      </span>
      {used.map(({ key, title }) => (
        <Meter
          standing={all.find(({ store }) => store === key)}
          title={title}
          otherwise={standing.record ? "not wanted" : "unknown"}
          key={key}
        />
      ))}
      <span class="next">
        {next ? (
          <>
            <i class={`who ${next.who}`}>{next.who}</i> {next.message}
          </>
        ) : (
          "Nothing is missing."
        )}
        {waits.length > 0 ? <small>{waits.join(", ")}</small> : null}
      </span>
    </button>
  );
}

function Meter({ standing, title, otherwise }: { standing: Standing | undefined; title: string; otherwise: string }) {
  if (!standing)
    return (
      <span class="meter">
        <small>{title}</small>
        <em>{otherwise}</em>
      </span>
    );
  const { required, recommended, parts } = standing;
  const open = parts.filter(({ done, total }) => done < total);
  return (
    <span class="meter">
      <small>{title}</small>
      <b>
        {isComplete(standing) ? "complete" : `${required.done} of ${required.total}`}
        <em>{recommended.total > 0 ? ` +${recommended.done}/${recommended.total}` : ""}</em>
      </b>
      <em>{open.length > 0 ? `open: ${open.map(partLacking).join(", ")}` : ""}</em>
    </span>
  );
}

/** What of a kind is not there yet: "2 texts". */
const partLacking = ({ kind, done, total }: Part): string =>
  `${total - done} ${total - done === 1 ? kind.slice(0, -1) : kind}`;

/** So many characters of a text are shown on a sheet. */
const mostShown = 200;

const people: readonly Who[] = ["client", "producer", "designer", "developer"];

const weights: readonly Problem["severity"][] = ["error", "warning", "note"];

const weightiest = (all: readonly Problem[]): Problem[] =>
  [...all].sort((a, b) => weights.indexOf(a.severity) - weights.indexOf(b.severity));

/** What a sheet is drawn from: short, since there may be thousands. Texts that several stores take stand there once. */
function dataOf(clients: BoardModel["clients"], today: string): string {
  const rows = Object.fromEntries(allStores.map(({ key, record }) => [key, record.map(({ field }) => field)]));
  const told = ({ code, severity, message, who, since }: Problem) => [
    severity[0],
    code,
    message,
    people.indexOf(who),
    ...(since && since < today ? [since] : []),
  ];
  const data = clients.map(({ client, name, stores: all, problems }) => {
    const texts: string[] = [];
    const placeOf = (text: string): number => {
      const at = texts.indexOf(text);
      return at >= 0 ? at : texts.push(text) - 1;
    };
    const line = (store: string, { field, state, used, value, fallback }: LineStanding) => [
      rows[store]?.indexOf(field),
      state[0],
      used ?? 0,
      value === undefined ? -1 : placeOf(value.slice(0, mostShown)),
      ...(fallback.length > 0 ? [fallback.join(" ")] : []),
    ];
    const standings = all.map(({ store, lines, problems: own }) => [
      store,
      lines.map((each) => line(store, each)),
      weightiest(own).map(told),
    ]);
    return { c: client, n: name, p: weightiest(problems).map(told), t: texts, s: standings };
  });
  const seen = Object.fromEntries(
    allStores.map(({ key, title, seenFirst, record }) => [
      key,
      [title, seenFirst, record.map(({ title: each, need, most }) => [each, need[2], most ?? 0])],
    ]),
  );
  return JSON.stringify({ people, stores: seen, clients: data }).replaceAll("<", "\\u003c");
}
