import { renderToStaticMarkup } from "preact-render-to-string";
import { builtSaid } from "../../agency/history/builds.ts";
import { type Passage, passageSaid } from "../../clients/passage/passage.ts";
import { isError } from "../../ground/problems/problem.ts";
import filters from "../../pages/parts/filters.css";
import { Head } from "../../pages/parts/head.tsx";
import top from "../../pages/parts/top.css";
import {
  type ClientStanding,
  findingsOf,
  isComplete,
  isCompleteEverywhere,
  nextOf,
} from "../../proving/standing/clients.ts";
import { type Settles, settlesMost } from "../../proving/standing/settles.ts";
import type { Part, Standing } from "../../proving/standing/standing.ts";
import { allStores } from "../../stores/all.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { dataOf } from "./data.ts";
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
  const hasBuilds = clients.some(({ built }) => built);
  return (
    <html lang="en">
      <Head title={`Board · ${agency}`} accent={accent} onAccent={onAccent} style={`${top}\n${filters}\n${style}`} />
      <body>
        <header class="top">
          <p>{agency}</p>
          <h1>Board</h1>
          <p class="lead">
            {clients.length} {clients.length === 1 ? "client" : "clients"}, {done} complete for every store. Whoever is
            nearest to done comes first.
          </p>
        </header>
        <Most settles={settlesMost(clients)} />
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
        <main style={`--stores:${used.length + (hasBuilds ? 1 : 0)}`}>
          {clients.map((each, at) => (
            <Row standing={each} at={at} used={used} hasBuilds={hasBuilds} today={today} key={each.client} />
          ))}
        </main>
        <dialog aria-labelledby="sheet-name" />
        <script type="application/json" id="data" dangerouslySetInnerHTML={{ __html: dataOf(clients, today) }} />
        <script dangerouslySetInnerHTML={{ __html: script }} />
      </body>
    </html>
  );
}

/** What settles most comes first; each shows its clients alone. */
function Most({ settles }: { settles: readonly Settles[] }) {
  if (settles.length === 0) return null;
  return (
    <section class="most" aria-labelledby="most">
      <h2 id="most">Settles most</h2>
      <ul>
        {settles.map(({ what, who, clients }) => (
          <li key={what}>
            <button type="button" data-clients={clients.join(" ")} aria-pressed="false">
              {clients.length} clients
            </button>{" "}
            <i class={`who ${who}`}>{who}</i> {what}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface RowProps {
  standing: ClientStanding;
  at: number;
  /** Stores that some client wants. */
  used: readonly StoreDefinition[];
  /** Whether any client has builds. */
  hasBuilds: boolean;
  today: string;
}

function Row({ standing, at, used, hasBuilds, today }: RowProps) {
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
      data-client={client}
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
          passage={standing.passages.find(({ store }) => store === key)}
          title={title}
          otherwise={standing.record ? "not wanted" : "unknown"}
          key={key}
        />
      ))}
      {hasBuilds ? (
        <span class="meter">
          <small>Built</small>
          <b class="built">{standing.built ? builtSaid(standing.built).join("\n") : <em>not yet</em>}</b>
        </span>
      ) : null}
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

interface MeterProps {
  standing: Standing | undefined;
  passage: Passage | undefined;
  title: string;
  otherwise: string;
}

function Meter({ standing, passage, title, otherwise }: MeterProps) {
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
    <span class="meter" data-store={standing.store}>
      <small>{title}</small>
      <b>
        {isComplete(standing) ? "complete" : `${required.done} of ${required.total}`}
        <em>{recommended.total > 0 ? ` +${recommended.done}/${recommended.total}` : ""}</em>
      </b>
      {passage ? <span class={`place ${passage.is}`}>{passageSaid(passage)}</span> : null}
      <em>{open.length > 0 ? `open: ${open.map(partLacking).join(", ")}` : ""}</em>
    </span>
  );
}

/** What of a kind is not there yet: "2 texts". */
const partLacking = ({ kind, done, total }: Part): string =>
  `${total - done} ${total - done === 1 ? kind.slice(0, -1) : kind}`;
