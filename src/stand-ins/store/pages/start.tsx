import type { StoreDefinition } from "../../../core/stores/definition.ts";
import type { Account, KeptApp } from "../engine/kept.ts";
import { framed, minuteOf } from "./frame.tsx";

export interface StartModel {
  now: number;
  isByHand: boolean;
  stores: readonly { store: StoreDefinition; apps: readonly KeptApp[]; accounts: readonly Account[] }[];
}

const spans = [
  ["an hour", 1],
  ["a day", 24],
  ["a week", 168],
] as const;

const count = (number: number, word: string): string => `${number} ${number === 1 ? word : `${word}s`}`;

/** Where everything else is found: the clock, what waits, the stores and their accounts. */
export function startPage({ now, isByHand, stores }: StartModel): string {
  const waiting = stores.flatMap(({ apps }) => apps.filter(waits)).length;
  return framed(
    "Stores that stand in",
    "They behave as stores do, on this machine alone, and belong to nobody.",
    <>
      <section class="strip">
        <h2>{minuteOf(now)}</h2>
        <form method="post" action="/clock">
          {spans.map(([said, hours]) => (
            <button type="submit" name="hours" value={hours} key={said}>
              {said} on
            </button>
          ))}
        </form>
      </section>
      <section class="strip">
        <h2>
          <a href="/review">
            {waiting === 0 ? "Nothing waits to be reviewed" : `${count(waiting, "version")} to review`}
          </a>
        </h2>
        <p>
          {isByHand
            ? "Whoever opens that page decides."
            : "What waits is accepted when its time has come, unless somebody decides before."}
        </p>
      </section>
      {stores.map(({ store, apps, accounts }) => (
        <section class="store" aria-labelledby={store.key} key={store.key}>
          <h2 id={store.key}>{store.title}</h2>
          <p>
            {count(apps.length, "app")} · <a href={`/${store.key}/description.json`}>description of its interface</a>
          </p>
          {apps.length > 0 ? (
            <ul>
              {apps.map((app) => (
                <li key={app.app}>
                  <a href={`/seen/${store.key}/${app.app}`} dir="auto">
                    {app.name}
                  </a>{" "}
                  <small>{placeSaid(app)}</small>
                </li>
              ))}
            </ul>
          ) : null}
          {accounts.map((account) => (
            <Agreements account={account} key={account.account} />
          ))}
        </section>
      ))}
    </>,
  );
}

/** Whether a version waits for the people who review, or is with them. */
export const waits = ({ version }: KeptApp): boolean =>
  version?.station === "waiting" || version?.station === "in-review";

const placeSaid = ({ version, live, out }: KeptApp): string =>
  [
    ...(live ? [`${live.version} live`] : []),
    ...(version && version.station !== "live" ? [`${version.version} ${version.station.replace("-", " ")}`] : []),
    ...(out ? [`${out.share} %`] : []),
  ].join(" · ") || "created";

function Agreements({ account }: { account: Account }) {
  return (
    <form method="post" action="/agreements" class="agreements">
      <input type="hidden" name="account" value={account.account} />
      <b>{account.owner}</b>
      {Object.entries(account.agreements).map(([name, since]) => (
        <span key={name}>
          {name}: {since === null ? "not signed" : `signed ${minuteOf(since).slice(0, 10)}`}{" "}
          <button type="submit" name="agreement" value={name}>
            {since === null ? "Sign" : "Ask for it anew"}
          </button>
        </span>
      ))}
    </form>
  );
}
