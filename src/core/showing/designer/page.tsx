import { renderToStaticMarkup } from "preact-render-to-string";
import type { Say } from "../../pages/words/letter.ts";
import { LetterFrame, small } from "../letters/frame.tsx";
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

function Page({ letter, accent, say, drawn }: Props) {
  const { agency, language, clients } = letter;
  return (
    <LetterFrame
      title={say("designerSubject", { agency })}
      agency={agency}
      accent={accent}
      language={language}
      width={720}
      thanks={say("thanks")}
    >
      <p>{say("greeting")}</p>
      <p>{introTo(letter, say)}</p>
      <div style="margin-bottom: 24px">
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
      </div>
    </LetterFrame>
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
