import type { StoreDefinition } from "../../../core/stores/definition.ts";
import { happeningSaid } from "../../../core/stores/happening.ts";
import type { KeptApp } from "../engine/kept.ts";
import { framed, minuteOf } from "./frame.tsx";
import { Shots } from "./review.tsx";

/** What users see of an app in a store, and below it what has happened to it. */
export function seenPage(store: StoreDefinition, app: KeptApp): string {
  const { shown, live, language, out, version } = app;
  const texts = shown?.texts[language];
  const lead = live
    ? `${store.title}: version ${live.version}${out ? `; ${version?.version} for ${out.share} %` : ""}`
    : `${store.title}: nobody sees it yet`;
  return framed(
    texts?.name ?? app.name,
    lead,
    <>
      {shown && texts ? (
        <article class="seen">
          {texts.subtitle || texts.short ? (
            <p class="short" dir="auto">
              {texts.subtitle ?? texts.short}
            </p>
          ) : null}
          <Shots app={{ ...app, draft: shown }} />
          <p class="text" dir="auto">
            {texts.description}
          </p>
          {texts.news ? (
            <>
              <h2>What is new</h2>
              <p class="text" dir="auto">
                {texts.news}
              </p>
            </>
          ) : null}
        </article>
      ) : null}
      <section aria-labelledby="happened">
        <h2 id="happened">What has happened</h2>
        <ol class="happened">
          {app.happened.toReversed().map((each) => (
            <li key={each.number}>
              <time dateTime={each.at}>{minuteOf(Date.parse(each.at))}</time> {happeningSaid(each)}
            </li>
          ))}
        </ol>
      </section>
    </>,
  );
}
