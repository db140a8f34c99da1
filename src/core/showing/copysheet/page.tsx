import { renderToStaticMarkup } from "preact-render-to-string";
import { asTaken, characters } from "../../clients/record/count.ts";
import { declaredTo } from "../../clients/record/declared.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { textsOf } from "../../clients/record/texts.ts";
import { isError, type Problem } from "../../ground/problems/problem.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { Head } from "../../pages/parts/head.tsx";
import top from "../../pages/parts/top.css";
import type { CaptureStanding } from "../../proving/standing/captured.ts";
import { categoryIn } from "../../proving/standing/rules/texts.ts";
import type { Standing } from "../../proving/standing/standing.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
import { placeInBrief } from "../../stores/record-fields.ts";
import { type RecordRow, rowsFor } from "../../stores/record-row.ts";
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
}

/** A client's record in a store's own order, to be copied field by field. */
export const copySheetPage = (model: CopySheetModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, accent, onAccent, name, identifier, store, record, standing }: CopySheetModel) {
  const rows = rowsFor(store.record, record.features);
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
          <Item id="identifier" title="Identifier" text={identifier} />
          {rows.map((row) => (
            <Rows row={row} record={record} store={store} faults={standing.problems.filter(isError)} key={row.field} />
          ))}
          <h2 class="questions">Pictures</h2>
          {standing.captures.map((each) => (
            <Pictures standing={each} record={record} key={each.device} />
          ))}
          <h2 class="questions">Questions</h2>
          {declaredTo(store.key, record.declared).map(({ declaration: { name, asks }, answer }) =>
            answer ? (
              <Item id={`declares.${name}`} title={asks} text={answer.value} key={name} />
            ) : (
              <article class="item missing" key={name}>
                <h2>{asks}</h2>
                <p>Missing: nobody has answered it.</p>
              </article>
            ),
          )}
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

interface RowsProps {
  row: RecordRow;
  record: StoreRecord;
  store: StoreDefinition;
  faults: readonly Problem[];
}

function Rows({ row, record, store, faults }: RowsProps) {
  const texts = textsOf(record.values[row.field], record).filter(({ text }) => !text.isDraft);
  if (texts.length === 0)
    return row.need === "optional" ? null : (
      <article class="item missing">
        <h2>{row.title}</h2>
        <p>{row.need === "required" ? "Missing: the store does not take the record without it." : "Not given."}</p>
      </article>
    );
  const isSpoken = record.languages.length > 1 && Object.keys(record.values[row.field]?.further ?? {}).length > 0;
  return (
    <>
      {texts.map(({ language, text }) => (
        <Item
          id={`${row.field}.${language ?? ""}`}
          title={isSpoken ? `${row.title} (${language})` : row.title}
          text={taken(text.value, row, store)}
          {...(row.most === undefined ? {} : { most: row.most })}
          {...(language === undefined ? {} : { language })}
          faults={faultsOf(row, language ?? record.languages[0] ?? "en", faults)}
          key={language}
        />
      ))}
    </>
  );
}

/** What is wrong with a field, in a language. */
function faultsOf({ field }: RecordRow, language: string, faults: readonly Problem[]): string[] {
  const place = (placeInBrief(field, language) ?? [field]).join(".");
  return faults.filter(({ about }) => about?.join(".") === place).map(({ message }) => message);
}

/** A value as the store's own form takes it. */
const taken = (value: string, row: RecordRow, store: StoreDefinition): string =>
  row.field === "category" || row.field === "subcategory" ? (categoryIn(store, value) ?? value) : asTaken(value, row);

interface ItemProps {
  id: string;
  title: string;
  text: string;
  most?: number;
  language?: string;
  faults?: readonly string[];
}

function Item({ id, title, text, most, language, faults = [] }: ItemProps) {
  return (
    <article class={faults.length > 0 ? "item wrong" : "item"} data-id={`${id}:${sha256(text).slice(0, 12)}`}>
      <label>
        <input type="checkbox" /> <h2>{title}</h2>
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
