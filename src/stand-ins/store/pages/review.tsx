import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { isPreviewSlot } from "../../../core/stores/preview-row.ts";
import type { KeptApp } from "../engine/kept.ts";
import { framed, minuteOf } from "./frame.tsx";

export interface ReviewModel {
  waiting: readonly { store: StoreDefinition; app: KeptApp }[];
}

/** What the people who review have before them: accept, refuse by a rule, or ask. */
export const reviewPage = ({ waiting }: ReviewModel): string =>
  framed(
    "To review",
    waiting.length === 0 ? "Nothing waits." : "Whoever waits longest comes first.",
    waiting.map((each) => <Case {...each} key={`${each.store.key}${each.app.app}`} />),
  );

function Case({ store, app }: { store: StoreDefinition; app: KeptApp }) {
  const { draft, version, language } = app;
  const texts = draft.texts[language] ?? {};
  const id = `${store.key}-${app.app}`;
  return (
    <article class="case" aria-labelledby={id}>
      <h2 id={id} dir="auto">
        {app.name}
      </h2>
      <p class="facts">
        {store.title} · {app.identifier} · version {version?.version} (build {version?.build}) · since{" "}
        {minuteOf(version?.since ?? 0)} · <a href={`/seen/${store.key}/${app.app}`}>what people see</a>
      </p>
      {version?.access ? (
        <p class="facts">
          Signs in as <b dir="auto">{version.access}</b>, by a password that was sent along.
        </p>
      ) : null}
      {texts.description ? (
        <p class="text" dir="auto">
          {texts.description}
        </p>
      ) : null}
      <dl>
        {Object.entries(draft.facts).map(([field, value]) => (
          <div key={field}>
            <dt>{field}</dt>
            <dd dir="auto">{value}</dd>
          </div>
        ))}
      </dl>
      <Shots app={app} />
      <form method="post" action="/review">
        <input type="hidden" name="store" value={store.key} />
        <input type="hidden" name="app" value={app.app} />
        <label>
          Rule <input name="rule" autocomplete="off" maxLength={100} />
        </label>
        <label>
          Where <input name="where" autocomplete="off" maxLength={200} placeholder="description" />
        </label>
        <label class="wide">
          What is wrong, or asked <textarea name="says" rows={2} maxLength={4000} />
        </label>
        <span class="buttons">
          <button type="submit" name="decision" value="accept" class="accept">
            Accept
          </button>
          <button type="submit" name="decision" value="refuse" class="refuse">
            Refuse
          </button>
          <button type="submit" name="decision" value="ask">
            Ask
          </button>
        </span>
      </form>
    </article>
  );
}

/** An app's pictures and films, in their places. */
export function Shots({ app }: { app: KeptApp }) {
  if (app.draft.pictures.length === 0) return null;
  return (
    <div class="shots">
      {app.draft.pictures.map(({ slot, position, sum, language }) => {
        const says = `${slot} ${position}${language ? ` (${language})` : ""}`;
        const from = { src: `/pictures/${sum}`, key: `${slot}${position}${language}${sum}` };
        return isPreviewSlot(slot) ? (
          <video {...from} aria-label={says} controls preload="metadata" />
        ) : (
          <img {...from} alt={says} loading="lazy" />
        );
      })}
    </div>
  );
}
