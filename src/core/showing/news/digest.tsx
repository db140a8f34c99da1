import { renderToStaticMarkup } from "preact-render-to-string";
import { pageLanguageOf } from "../../ground/values/page-language.ts";
import type { LanguageWords } from "../../pages/words/own.ts";
import { LetterFrame, small } from "../letters/frame.tsx";
import { type NewsItem, newsId, newsSaid } from "./news.ts";

/** News as a letter to the team: by client, the oldest first. */
export interface Digest {
  subject: string;
  text: string;
  html: string;
}

interface DigestFrom {
  agency: string;
  accent: string;
  words: LanguageWords;
  items: readonly NewsItem[];
}

export function digestOf({ agency, accent, words: { say, language: tag }, items }: DigestFrom): Digest {
  const language = pageLanguageOf(tag);
  const clients = [...new Set(items.map(({ client }) => client))].map((client) => {
    const own = items.filter((each) => each.client === client);
    return { client, name: own[0]?.name ?? client, own };
  });
  const subject = `${say("newsTitle")}: ${clients
    .map(({ name }) => name)
    .slice(0, 3)
    .join(", ")}${clients.length > 3 ? " …" : ""}`;
  const text = clients
    .map(({ name, own }) => `${name}\n${own.map((each) => `  ${dayOf(each)}  ${newsSaid(each, language)}`).join("\n")}`)
    .join("\n\n");
  const html = renderToStaticMarkup(
    <LetterFrame title={say("newsTitle")} {...{ agency, accent, language }} width={640} thanks="">
      {clients.map(({ client, name, own }) => (
        <section key={client}>
          <h2 style="margin: 18px 0 6px; font-size: 16px" dir="auto">
            {name}
          </h2>
          {own.map((each) => (
            <p style="margin: 0 0 4px" key={newsId(each)}>
              <span style={small}>{dayOf(each)}</span> {newsSaid(each, language)}
            </p>
          ))}
        </section>
      ))}
    </LetterFrame>,
  );
  return { subject, text: `${text}\n\n${agency}\n`, html: `<!doctype html>\n${html}\n` };
}

const dayOf = ({ at }: NewsItem): string => at.slice(0, 10);
