import { renderToStaticMarkup } from "preact-render-to-string";
import { directionOf } from "../../ground/values/language.ts";
import { sizeSaid } from "../../ground/values/size.ts";
import { Head } from "../../pages/parts/head.tsx";
import type { LanguageWords } from "../../pages/words/own.ts";

import { Code } from "./code.tsx";
import type { installableOf } from "./steps.ts";
import style from "./style.css";

/** What is said to whoever installs a build. */
export interface InstallModel {
  agency: string;
  accent: string;
  onAccent: string;
  name: string;
  version: string;
  build: number;
  installable: NonNullable<ReturnType<typeof installableOf>>;
  /** Where the file is got: relative to the page, or an address. */
  href: string;
  /** Whether its system fetches it over the air. */
  isAir: boolean;
  /** Address of the page itself; absent where nothing serves it. */
  address?: string;
  /** What has changed, in the client's language. */
  notes?: string;
  words: LanguageWords;
}

/** The page of one build for whoever tries it: what it is, where it is got, what is done; nothing of it is fetched. */
export const installPage = (model: InstallModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page(model: InstallModel) {
  const { agency, accent, onAccent, name, version, build, installable, href, isAir, address, notes, words } = model;
  const { say, language } = words;
  const { file, how } = installable;
  return (
    <html lang={language} dir={directionOf(language)}>
      <Head title={say("installTitle", { name })} accent={accent} onAccent={onAccent} style={style} />
      <body>
        <main>
          <p class="agency">{agency}</p>
          <h1 dir="auto">{say("installTitle", { name })}</h1>
          <p>{say("installIs", { version, build, system: how.system })}</p>
          <p class="soft">{say("installFor", { agency })}</p>
          <p class="act">
            <a class="get" href={href}>
              {say("installGet", { file: file.path })}
            </a>
            <span class="soft">{sizeSaid(file.size)}</span>
          </p>
          {notes ? (
            <section>
              <h2>{say("installNew")}</h2>
              <p class="notes" dir="auto">
                {notes}
              </p>
            </section>
          ) : null}
          <section>
            <h2>{say("installHow")}</h2>
            <ol>
              {how.steps(isAir).map((word) => (
                <li key={word}>{say(word, { agency })}</li>
              ))}
            </ol>
          </section>
          {address ? (
            <section class="elsewhere">
              <Code address={address} label={address} />
              <p>
                {say("installCode")}
                <br />
                <a href={address}>{address}</a>
              </p>
            </section>
          ) : null}
          <p class="sum soft">
            {say("installSum")}: <code>{file.sha256}</code>
          </p>
        </main>
      </body>
    </html>
  );
}
