import { renderToStaticMarkup } from "preact-render-to-string";
import { directionOf } from "../../ground/values/language.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { Asked } from "./asked.ts";
import { greetingOf, howOf, introOf } from "./text.ts";

/** A letter as HTML that mail programs show: styles on the elements, nothing fetched. */
export const letterPage = (props: Props): string => `<!doctype html>\n${renderToStaticMarkup(<Page {...props} />)}\n`;

interface Props {
  asked: Asked;
  sheet: string;
  agency: string;
  accent: string;
  say: Say;
}

const text = "font: 16px/1.5 system-ui, 'Segoe UI', Roboto, Helvetica, Arial, sans-serif; color: #1d2229";
const small = "font-size: 14px; color: #5d6775";

function Page({ asked, sheet, agency, accent, say }: Props) {
  return (
    <html lang={asked.language} dir={directionOf(asked.language)}>
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{say("subject", { name: asked.name })}</title>
      </head>
      <body style={`margin: 0 auto; padding: 24px; max-width: 640px; background: #ffffff; ${text}`}>
        <main>
          <p style={`margin: 0 0 20px; padding-bottom: 10px; border-bottom: 3px solid ${accent}; font-weight: 600`}>
            {agency}
          </p>
          <h1 style="margin: 0 0 20px; font-size: 20px; font-weight: 600">{say("subject", { name: asked.name })}</h1>
          <p>{greetingOf(asked, say)}</p>
          <p>{introOf(asked, say)}</p>
          {asked.groups.map(({ word, things }) => (
            <section key={word}>
              <h2 style="margin: 24px 0 8px; font-size: 18px">{say(word)}</h2>
              <ul style="margin: 0; padding-inline-start: 22px">
                {things.map(({ label, hints, isStill }) => (
                  <li style="margin-bottom: 6px" key={label}>
                    {label}
                    {isStill ? <b style="color: #a32018"> {say("still")}</b> : null}
                    {hints.length > 0 ? <div style={small}>{hints.join(" · ")}</div> : null}
                  </li>
                ))}
              </ul>
            </section>
          ))}
          <p style="margin-top: 24px">{howOf(asked, sheet, say)}</p>
          <p>
            {say("thanks")}
            <br />
            {agency}
          </p>
        </main>
      </body>
    </html>
  );
}
