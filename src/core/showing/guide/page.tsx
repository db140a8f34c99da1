import { renderToStaticMarkup } from "preact-render-to-string";
import { type SlotFamily, titleOf } from "../../app/catalog/all.ts";
import type { PageLanguage } from "../../ground/values/page-language.ts";
import { type Platform as PlatformName, platformNames, platforms } from "../../ground/values/platform.ts";
import { Head } from "../../pages/parts/head.tsx";
import { type Say, sayIn } from "../../pages/words/guide.ts";
import { Diagram } from "./diagram.tsx";
import type { GuideModel } from "./model.ts";
import type { Need } from "./needs.ts";
import { alphaSaid, sourceSaid, zoneSaid } from "./said.ts";
import style from "./style.css";

/** The page for a client's designer, self-contained and printable. */
export const guidePage = (model: GuideModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ language, agency, email, accent, onAccent, families, needs }: GuideModel) {
  const say = sayIn(language);
  return (
    <html lang={language}>
      <Head title={`${say("title")} · ${agency}`} accent={accent} onAccent={onAccent} style={style} />
      <body>
        <header>
          <p>{agency}</p>
          <h1>{say("heading")}</h1>
          <p class="lead">{say("lead")}</p>
        </header>
        <main>
          <h2>{say("whatToSend")}</h2>
          <div class="cards">
            {needs.map((need) => (
              <Card need={need} say={say} key={need.word} />
            ))}
          </div>
          <Legend say={say} />
          {platforms.map((platform) => (
            <Platform
              platform={platform}
              language={language}
              say={say}
              families={families.filter(({ first }) => first.platform === platform)}
              key={platform}
            />
          ))}
        </main>
        <footer>{email ? say("questions", { email }) : agency}</footer>
      </body>
    </html>
  );
}

function Card({ need, say }: { need: Need; say: Say }) {
  const { word, side, tile, pictures = [] } = need;
  const named = pictures.map((each) => say(each)).join(", ");
  return (
    <section class="card">
      <h3>{say(word)}</h3>
      <p class="need">{say(`${word}Need`)}</p>
      <p>{say(`${word}Says`, { pictures: named })}</p>
      <p>{say(`${word}Form`, { side, tile })}</p>
      <p class="keep">{say(`${word}Keep`)}</p>
    </section>
  );
}

function Legend({ say }: { say: Say }) {
  return (
    <>
      <svg width="0" height="0" class="patterns" aria-hidden="true">
        <defs>
          <pattern id="cut" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="7" height="7" fill="#fff" fill-opacity="0.72" />
            <rect width="2.4" height="7" fill="#c0392b" fill-opacity="0.55" />
          </pattern>
          <pattern id="nothing" width="12" height="12" patternUnits="userSpaceOnUse">
            <rect width="12" height="12" fill="#fff" />
            <path d="M0 0h6v6H0zM6 6h6v6H6z" fill="#eceff2" />
          </pattern>
        </defs>
      </svg>
      <ul class="legend">
        <li>
          <i class="zone" /> {say("stayInside")}
        </li>
        <li>
          <i class="ground" /> {say("ground")}
        </li>
        <li>
          <svg width="22" height="22" aria-hidden="true">
            <rect width="22" height="22" fill="url(#nothing)" />
          </svg>
          {say("nothing")}
        </li>
        <li>
          <svg width="22" height="22" aria-hidden="true">
            <rect width="22" height="22" fill="url(#cut)" />
          </svg>
          {say("mayBeCut")}
        </li>
      </ul>
    </>
  );
}

/** What a page's parts are said in. */
interface InLanguage {
  language: PageLanguage;
  say: Say;
}

function Platform({
  platform,
  families,
  ...said
}: { platform: PlatformName; families: readonly SlotFamily[] } & InLanguage) {
  if (families.length === 0) return null;
  const name = platform === "web" || platform === "desktop" ? said.say(platform) : platformNames[platform];
  return (
    <section class="platform">
      <h2>{name}</h2>
      <div class="slots">
        {families.map((family) => (
          <Family family={family} {...said} key={`${family.first.role}${family.first.qualifier}`} />
        ))}
      </div>
    </section>
  );
}

function Family({ family, language, say }: { family: SlotFamily } & InLanguage) {
  const { first, slots, form } = family;
  const sizes = [...new Set(slots.map(({ width, height }) => (width === height ? `${width}` : `${width}×${height}`)))];
  return (
    <article class="slot">
      <div class="drawn">
        <Diagram family={family} say={say} />
      </div>
      <h3>
        {titleOf(first.platform, first.role, language)}
        {form ? `, ${say(form)}` : ""}
      </h3>
      <p class="facts">{[sourceSaid(first, say), alphaSaid(first, say), zoneSaid(first, say)].join(" · ")}</p>
      <p class="sizes">{sizes.join("  ")} px</p>
      {language === "en" ? <p class="rule">{first.rule}</p> : null}
    </article>
  );
}
