import { renderToStaticMarkup } from "preact-render-to-string";
import { Head } from "../../pages/parts/head.tsx";
import top from "../../pages/parts/top.css";
import script from "./page.client.js?raw";
import type { ShownStep } from "./steps.ts";
import style from "./style.css";

export interface HandSheetModel {
  agency: string;
  accent: string;
  onAccent: string;
  client: string;
  store: string;
  storeTitle: string;
  name: string;
  /** Where the app is now, in a few words. */
  place: string;
  steps: readonly ShownStep[];
}

/** A store's own steps for one client, to be done by hand: what is copied, dragged and noted at each. */
export const handSheetPage = (model: HandSheetModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, accent, onAccent, client, store, storeTitle, name, place, steps }: HandSheetModel) {
  const done = steps.filter(({ doneOn }) => doneOn !== undefined).length;
  const next = steps.findIndex(({ doneOn }) => doneOn === undefined);
  return (
    <html lang="en">
      <Head title={`${name} · ${storeTitle} by hand`} accent={accent} onAccent={onAccent} style={`${top}\n${style}`} />
      <body>
        <header class="top">
          <p>
            {agency} · {storeTitle}
          </p>
          <h1 dir="auto">{name}</h1>
          <p class="lead">
            {place.charAt(0).toUpperCase() + place.slice(1)}. {done} of {steps.length} steps are noted. A step is noted
            in the workspace, so that the board knows of it, whoever did it.
          </p>
        </header>
        <main>
          <ol>
            {steps.map((step, at) => (
              <StepItem
                step={step}
                isNext={at === next}
                command={`oxalis submit ${client} --store ${store} --done ${step.name}`}
                key={step.name}
              />
            ))}
          </ol>
          <aside>
            <h2>If the store says something else</h2>
            <p>Note it as well; the board then tells what is to be done.</p>
            <Command text={`oxalis submit ${client} --store ${store} --done refused --because "rule: what they say"`} />
            <Command text={`oxalis submit ${client} --store ${store} --done asked --because "what they ask"`} />
            <Command text={`oxalis submit ${client} --store ${store} --done paused --share 20`} />
          </aside>
        </main>
        <script dangerouslySetInnerHTML={{ __html: script }} />
      </body>
    </html>
  );
}

function StepItem({ step, isNext, command }: { step: ShownStep; isNext: boolean; command: string }) {
  const { name, at, says, doneOn, copies, answers, files, lacks } = step;
  return (
    <li class={doneOn ? "step done" : isNext ? "step next" : "step"}>
      <h2>{at}</h2>
      <p class="state">{doneOn ? `noted ${doneOn}` : isNext ? "next" : ""}</p>
      <p class="says">{says}</p>
      {lacks.length > 0 ? (
        <ul class="lacks">
          {lacks.map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
      ) : null}
      {files.length > 0 ? (
        <ul class="files">
          {files.map((file) => (
            <li key={file}>
              <code>{file}</code>
            </li>
          ))}
        </ul>
      ) : null}
      {copies.length > 0 ? (
        <details open={isNext}>
          <summary>
            {copies.length} {copies.length === 1 ? "field" : "fields"} to copy
          </summary>
          <dl>
            {copies.map(({ title, text, language }) => (
              <div key={title}>
                <dt>{title}</dt>
                <dd>
                  <pre dir="auto" lang={language}>
                    {text}
                  </pre>
                  <button type="button">Copy</button>
                </dd>
              </div>
            ))}
          </dl>
        </details>
      ) : null}
      {answers.length > 0 ? (
        <details open={isNext}>
          <summary>{answers.length} answers to choose</summary>
          <dl class="answers">
            {answers.map(({ title, text }) => (
              <div key={title}>
                <dt>{title}</dt>
                <dd>{text}</dd>
              </div>
            ))}
          </dl>
        </details>
      ) : null}
      {doneOn ? null : <Command text={command} label={`Note ${name}`} />}
    </li>
  );
}

/** A call that is copied into a terminal. */
function Command({ text, label = "Copy" }: { text: string; label?: string }) {
  return (
    <div class="command">
      <pre>{text}</pre>
      <button type="button" aria-label={label === "Copy" ? undefined : `Copy: ${label}`}>
        Copy
      </button>
    </div>
  );
}
