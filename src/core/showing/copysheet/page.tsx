import { renderToStaticMarkup } from "preact-render-to-string";
import { asTaken, characters } from "../../clients/record/count.ts";
import { declaredTo } from "../../clients/record/declared.ts";
import type { StoreRecord } from "../../clients/record/record.ts";
import { textsOf } from "../../clients/record/texts.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { Head } from "../../pages/parts/head.tsx";
import top from "../../pages/parts/top.css";
import { categoryIn } from "../../proving/standing/rules/texts.ts";
import type { StoreDefinition } from "../../stores/definition.ts";
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
}

/** A client's record in a store's own order, to be copied field by field. */
export const copySheetPage = (model: CopySheetModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, accent, onAccent, name, identifier, store, record }: CopySheetModel) {
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
            <Rows row={row} record={record} store={store} key={row.field} />
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

function Rows({ row, record, store }: { row: RecordRow; record: StoreRecord; store: StoreDefinition }) {
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
          key={language}
        />
      ))}
    </>
  );
}

/** A value as the store's own form takes it. */
const taken = (value: string, row: RecordRow, store: StoreDefinition): string =>
  row.field === "category" || row.field === "subcategory" ? (categoryIn(store, value) ?? value) : asTaken(value, row);

function Item(props: { id: string; title: string; text: string; most?: number; language?: string }) {
  const { id, title, text, most, language } = props;
  return (
    <article class="item" data-id={`${id}:${sha256(text).slice(0, 12)}`}>
      <label>
        <input type="checkbox" /> <h2>{title}</h2>
      </label>
      <small>{most === undefined ? "" : `${characters(text)} of ${most}`}</small>
      <button type="button">Copy</button>
      <pre dir="auto" lang={language}>
        {text}
      </pre>
    </article>
  );
}
