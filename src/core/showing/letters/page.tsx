import { renderToStaticMarkup } from "preact-render-to-string";
import type { Say } from "../../pages/words/letter.ts";
import type { Asked } from "./asked.ts";
import { LetterFrame, small } from "./frame.tsx";
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

function Page({ asked, sheet, agency, accent, say }: Props) {
  return (
    <LetterFrame
      title={say("subject", { name: asked.name })}
      agency={agency}
      accent={accent}
      language={asked.language}
      width={640}
      thanks={say("thanks")}
    >
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
    </LetterFrame>
  );
}
