import { renderToStaticMarkup } from "preact-render-to-string";
import { directionOf } from "../../ground/values/language.ts";
import type { Say } from "../../pages/words/letter.ts";
import type { PictureAsked } from "./asked.ts";
import { type DesignerLetter, introTo } from "./text.ts";

interface Props {
  letter: DesignerLetter;
  accent: string;
  say: Say;
  /** Each picture that is there as PNG, by what the letter asks of it. */
  drawn: ReadonlyMap<PictureAsked, Buffer>;
}

/** Side of a picture on the page, in CSS pixels. */
export const shownSide = 112;

/** The letter as a page of its own: styles on the elements, pictures inside, nothing fetched. */
export const designerPage = (props: Props): string => `<!doctype html>\n${renderToStaticMarkup(<Page {...props} />)}\n`;

const text = "font: 16px/1.5 system-ui, 'Segoe UI', Roboto, Helvetica, Arial, sans-serif; color: #1d2229";
const small = "font-size: 14px; color: #5d6775";

function Page({ letter, accent, say, drawn }: Props) {
  const { agency, language, clients } = letter;
  const title = say("designerSubject", { agency });
  return (
    <html lang={language} dir={directionOf(language)}>
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{title}</title>
      </head>
      <body style={`margin: 0 auto; padding: 24px; max-width: 720px; background: #ffffff; ${text}`}>
        <main>
          <p style={`margin: 0 0 20px; padding-bottom: 10px; border-bottom: 3px solid ${accent}; font-weight: 600`}>
            {agency}
          </p>
          <h1 style="margin: 0 0 20px; font-size: 20px; font-weight: 600">{title}</h1>
          <p>{say("greeting")}</p>
          <p>{introTo(letter, say)}</p>
          {clients.map(({ client, name, pictures }) => (
            <section key={client}>
              <h2 style="margin: 28px 0 12px; font-size: 18px" dir="auto">
                {name}
              </h2>
              {pictures.map((each) => (
                <div key={each.label} style="display: flex; gap: 16px; margin-bottom: 16px; break-inside: avoid">
                  <Shown picture={drawn.get(each)} say={say} label={each.label} />
                  <div style="min-width: 0">
                    <b style="overflow-wrap: anywhere">{each.label}</b>
                    {each.isNeeded ? <span style="color: #a32018"> · {say("stopsApp")}</span> : null}
                    <ul style="margin: 4px 0 0; padding-inline-start: 18px">
                      {each.reasons.map((reason) => (
                        <li key={reason}>{reason}</li>
                      ))}
                    </ul>
                  </div>
                </div>
              ))}
            </section>
          ))}
          <p style="margin-top: 24px">
            {say("thanks")}
            <br />
            {agency}
          </p>
        </main>
      </body>
    </html>
  );
}

const side = `${shownSide}px`;
const frame = `flex: none; width: ${side}; height: ${side}; border: 1px solid #d5dae0; border-radius: 8px`;

function Shown({ picture, label, say }: { picture: Buffer | undefined; label: string; say: Say }) {
  if (!picture)
    return (
      <div style={`${frame}; ${small}; display: grid; place-items: center; text-align: center`}>{say("noPicture")}</div>
    );
  const source = `data:image/png;base64,${picture.toString("base64")}`;
  return <img src={source} alt={`${label}, ${say("designerNow")}`} style={frame} />;
}
