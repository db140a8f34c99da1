import { renderToStaticMarkup } from "preact-render-to-string";
import type { Entered } from "../../agency/history/entered.ts";
import { characters } from "../../clients/record/count.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { Head } from "../../pages/parts/head.tsx";
import top from "../../pages/parts/top.css";
import type { CaptureStanding } from "../../proving/standing/captured.ts";
import type { Standing } from "../../proving/standing/standing.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import type { PreviewRow } from "../../stores/preview-row.ts";
import { isThere, itemsOf, type LackingItem, type SheetItem } from "./items.ts";
import script from "./page.client.js?raw";
import style from "./style.css";

export interface CopySheetModel {
  agency: string;
  accent: string;
  onAccent: string;
  name: string;
  identifier: string;
  store: StoreDefinition;
  record: StoreRecord;
  /** What is wrong with it: no such text is copied by mistake. */
  standing: Pick<Standing, "problems" | "captures">;
  /** What stands in the store's form already, as the history keeps it. */
  entered: Entered | undefined;
}

/** A client's record in a store's own order, to be copied field by field. */
export const copySheetPage = (model: CopySheetModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, accent, onAccent, name, identifier, store, record, standing, entered }: CopySheetModel) {
  const items = itemsOf({ identifier, store, record, problems: standing.problems });
  const isEntered = (each: SheetItem | LackingItem) => isThere(each) && entered?.fields[each.id] === each.sum;
  return (
    <html lang="en">
      <Head title={`${name} · ${store.title}`} accent={accent} onAccent={onAccent} style={`${top}\n${style}`} />
      <body data-sheet={`${record.client}/${store.key}`}>
        <header class="top">
          <p>
            {agency} · {store.title}
          </p>
          <h1 dir="auto">{name}</h1>
          <p class="lead">
            In the order in which the store asks. A tick stays until the text changes. <output>0</output> of{" "}
            <span id="all">0</span> done.
          </p>
        </header>
        <main>
          {items.fields.map((each) => (
            <Entry of={each} isEntered={isEntered(each)} key={each.title} />
          ))}
          <h2 class="questions">Pictures</h2>
          {standing.captures.map((each) => (
            <Pictures standing={each} record={record} key={each.device} />
          ))}
          {store.previews.map((each) => (
            <Films row={each} record={record} problems={standing.problems} key={each.device} />
          ))}
          <h2 class="questions">Questions</h2>
          {items.questions.map((each) => (
            <Answer of={each} isEntered={isEntered(each)} key={each.title} />
          ))}
          <section class="keep" hidden>
            <h2 class="questions">To keep what is ticked with the record</h2>
            <p>Others then see it too. In the workspace:</p>
            <pre />
            <button type="button">Copy</button>
          </section>
        </main>
        <script dangerouslySetInnerHTML={{ __html: script }} />
      </body>
    </html>
  );
}

/** Pictures of the running app for a class of devices, each by its file. */
function Pictures({ standing, record }: { standing: CaptureStanding; record: StoreRecord }) {
  const { device, title, need, count, least, isDone } = standing;
  const files = record.captures.filter((each) => each.device === device).map(({ file }) => file);
  if (files.length === 0 && need !== "required") return null;
  return (
    <article class={isDone ? "item pictures" : "item missing"}>
      <h2>{title}</h2>
      <small>
        {count} of at least {least}
      </small>
      {files.length === 0 ? (
        <p>Missing: there are none.</p>
      ) : (
        <ul>
          {files.map((file) => (
            <li key={file}>{file}</li>
          ))}
        </ul>
      )}
    </article>
  );
}

/** Films of the running app for a class of devices, each by its file; nothing where there are none: none are needed. */
function Films(props: { row: PreviewRow; record: StoreRecord; problems: readonly Problem[] }) {
  const { row, record, problems } = props;
  const faults = problems.filter(({ about = [] }) => about[0] === "previews" && about[1] === row.device);
  const files = record.previews.filter(({ device }) => device === row.device).map(({ file }) => file);
  if (files.length === 0) return null;
  return (
    <article class={faults.length > 0 ? "item pictures wrong" : "item pictures"}>
      <h2>{row.title}</h2>
      <small>at most {row.most} a language</small>
      {faults.map(({ message }) => (
        <p class="fault" key={message}>
          {message}
        </p>
      ))}
      <ul>
        {files.map((file) => (
          <li key={file}>{file}</li>
        ))}
      </ul>
    </article>
  );
}

/** What is ticked in a store's form, and not typed. */
function Answer(props: { of: SheetItem | LackingItem; isEntered: boolean }) {
  const { of, isEntered } = props;
  if (!isThere(of)) return <Entry {...props} />;
  return (
    <article class="item answer" data-id={`${of.id}:${of.sum}`}>
      <label>
        <input type="checkbox" checked={isEntered} /> <h2>{of.title}</h2>
      </label>
      <b>{of.text}</b>
    </article>
  );
}

function Entry({ of, isEntered }: { of: SheetItem | LackingItem; isEntered: boolean }) {
  if (!isThere(of))
    return (
      <article class="item missing">
        <h2>{of.title}</h2>
        <p>{of.lacks}</p>
      </article>
    );
  const { id, sum, title, text, most, language, faults } = of;
  return (
    <article class={faults.length > 0 ? "item wrong" : "item"} data-id={`${id}:${sum}`}>
      <label>
        <input type="checkbox" checked={isEntered} /> <h2>{title}</h2>
      </label>
      <small>{most === undefined ? "" : `${characters(text)} of ${most}`}</small>
      <button type="button">Copy</button>
      {faults.map((each) => (
        <p class="fault" key={each}>
          {each}
        </p>
      ))}
      <pre dir="auto" lang={language}>
        {text}
      </pre>
    </article>
  );
}
