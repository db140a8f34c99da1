import { renderToStaticMarkup } from "preact-render-to-string";
import type { Passage } from "../../clients/passage/passage.ts";
import { isError } from "../../ground/problems/problem.ts";
import type { PageLanguage } from "../../ground/values/page-language.ts";
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
import type { Standing } from "../../proving/standing/standing.ts";
import { allStores } from "../../stores/all.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { dataOf } from "./data.ts";
import script from "./page.client.js?raw";
import {
  builtOnBoard,
  clientsSaid,
  findingSaid,
  lackingSaid,
  placeSaid,
  type Speaking,
  settlesSaid,
  speakingOn,
  whoWords,
} from "./saying.ts";
import style from "./style.css";

export interface BoardModel {
  agency: string;
  language: PageLanguage;
  accent: string;
  onAccent: string;
  clients: readonly ClientStanding[];
  /** As 2026-03-01: since when something waits is told where that is not today. */
  today: string;
}

/** The board as one page that opens from disk: what is in it is inside, nothing is fetched. */
export const boardPage = (model: BoardModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, language, accent, onAccent, clients, today }: BoardModel) {
  const speaking = speakingOn(language);
  const { say } = speaking;
  const used = allStores.filter(({ key }) => clients.some((each) => each.stores.some(({ store }) => store === key)));
  const done = clients.filter(isCompleteEverywhere).length;
  const hasBuilds = clients.some(({ built }) => built);
  return (
    <html lang={language}>
      <Head
        title={`${say("board")} · ${agency}`}
        accent={accent}
        onAccent={onAccent}
        style={`${top}\n${filters}\n${style}`}
      />
      <body>
        <header class="top">
          <p>{agency}</p>
          <h1>{say("board")}</h1>
          <p class="lead">
            {say("sum", { clients: clientsSaid(clients.length, speaking), done })} {say("order")}
          </p>
        </header>
        <Most settles={settlesMost(clients)} speaking={speaking} />
        <search>
          <form class="filters">
            <label>
              {say("client")} <input type="search" name="text" autocomplete="off" />
            </label>
            <label>
              {say("store")}{" "}
              <select name="store">
                <option value="">{say("any")}</option>
                {used.map(({ key, title }) => (
                  <option value={key} key={key}>
                    {title}
                  </option>
                ))}
              </select>
            </label>
            <label>
              {say("state")}{" "}
              <select name="state">
                <option value="">{say("any")}</option>
                <option value="open">{say("lacking")}</option>
                <option value="done">{say("complete")}</option>
              </select>
            </label>
            <label>
              {say("acts")}{" "}
              <select name="who">
                <option value="">{say("anybody")}</option>
                {(["client", "producer", "designer", "developer"] as const).map((who) => (
                  <option value={who} key={who}>
                    {say(whoWords[who])}
                  </option>
                ))}
              </select>
            </label>
            <output name="count">{say("shown", { count: clients.length })}</output>
          </form>
        </search>
        <main style={`--stores:${used.length + (hasBuilds ? 1 : 0)}`}>
          {clients.map((each, at) => (
            <Row {...{ standing: each, at, used, hasBuilds, today, speaking }} key={each.client} />
          ))}
        </main>
        <dialog aria-labelledby="sheet-name" />
        <script
          type="application/json"
          id="data"
          dangerouslySetInnerHTML={{ __html: dataOf(clients, today, speaking) }}
        />
        <script dangerouslySetInnerHTML={{ __html: script }} />
      </body>
    </html>
  );
}

/** What settles most comes first; each shows its clients alone. */
function Most({ settles, speaking }: { settles: readonly Settles[]; speaking: Speaking }) {
  const { say } = speaking;
  if (settles.length === 0) return null;
  return (
    <section class="most" aria-labelledby="most">
      <h2 id="most">{say("most")}</h2>
      <ul>
        {settles.map(({ what, of, who, clients }) => (
          <li key={what}>
            <button type="button" data-clients={clients.join(" ")} aria-pressed="false">
              {clientsSaid(clients.length, speaking)}
            </button>{" "}
            <i class={`who ${who}`}>{say(whoWords[who])}</i> {settlesSaid({ what, of }, speaking)}
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
  speaking: Speaking;
}

function Row({ standing, at, used, hasBuilds, today, speaking }: RowProps) {
  const { say } = speaking;
  const { client, name, stores: all } = standing;
  const next = nextOf(standing);
  const waits = [
    ...(next?.since && next.since < today ? [say("since", { day: next.since })] : []),
    ...(standing.asked ? [say("asked", { day: standing.asked })] : []),
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
          otherwise={say(standing.record ? "notWanted" : "unknown")}
          speaking={speaking}
          key={key}
        />
      ))}
      {hasBuilds ? (
        <span class="meter">
          <small>{say("built")}</small>
          <b class="built">
            {standing.built ? builtOnBoard(standing.built, speaking).join("\n") : <em>{say("notYet")}</em>}
          </b>
        </span>
      ) : null}
      <span class="next">
        {next ? (
          <>
            <i class={`who ${next.who}`}>{say(whoWords[next.who])}</i> {findingSaid(next, speaking)}
          </>
        ) : (
          say("nothing")
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
  speaking: Speaking;
}

function Meter({ standing, passage, title, otherwise, speaking }: MeterProps) {
  const { say } = speaking;
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
        {isComplete(standing) ? say("complete") : say("doneOf", { done: required.done, total: required.total })}
        <em>{recommended.total > 0 ? ` +${recommended.done}/${recommended.total}` : ""}</em>
      </b>
      {passage ? <span class={`place ${passage.is}`}>{placeSaid(passage, speaking)}</span> : null}
      <em>
        {open.length > 0 ? say("open", { what: open.map((part) => lackingSaid(part, speaking)).join(", ") }) : ""}
      </em>
    </span>
  );
}
