import type { ComponentChildren } from "preact";
import { renderToStaticMarkup } from "preact-render-to-string";
import { Head } from "../../../core/pages/parts/head.tsx";
import top from "../../../core/pages/parts/top.css";
import style from "./style.css";

const accent = "#3f3a52";

/** A page of the stand-in's own people. */
export const framed = (title: string, lead: string, body: ComponentChildren): string =>
  `<!doctype html>\n${renderToStaticMarkup(
    <html lang="en">
      <Head title={`${title} · stand-in stores`} accent={accent} onAccent="#ffffff" style={`${top}\n${style}`} />
      <body>
        <header class="top">
          <p>
            <a href="/">Stand-in stores</a>
          </p>
          <h1>{title}</h1>
          <p class="lead">{lead}</p>
        </header>
        <main>{body}</main>
      </body>
    </html>,
  )}\n`;

/** A time, by the minute. */
export const minuteOf = (time: number): string => `${new Date(time).toISOString().slice(0, 16).replace("T", " ")} UTC`;
