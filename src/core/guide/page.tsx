import { renderToStaticMarkup } from "preact-render-to-string";
import { alphaSaid, fromSaid, type SlotFamily, titleOf, zoneSaid } from "../catalog/all.ts";
import { Head } from "../page/head.tsx";
import { platformNames, platforms } from "../values/platform.ts";
import { Diagram } from "./diagram.tsx";
import type { GuideModel } from "./model.ts";
import style from "./style.css";

/** The page for a client's designer, self-contained and printable. */
export const guidePage = (model: GuideModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, email, accent, onAccent, families, needs }: GuideModel) {
  return (
    <html lang="en">
      <Head title={`Artwork guide · ${agency}`} accent={accent} onAccent={onAccent} style={style} />
      <body>
        <header>
          <p>{agency}</p>
          <h1>Artwork for your app</h1>
          <p class="lead">
            One or two files from you become every icon, tile and start screen below. This page says which files, what
            more can help, and what happens to them.
          </p>
        </header>
        <main>
          <h2>What to send</h2>
          <div class="cards">
            {needs.map(({ name, need, says, form, keep }) => (
              <section class="card" key={name}>
                <h3>{name}</h3>
                <p class="need">{need}</p>
                <p>{says}</p>
                <p>{form}</p>
                <p class="keep">{keep}</p>
              </section>
            ))}
          </div>
          <Legend />
          {platforms.map((platform) => (
            <Platform
              name={platformNames[platform]}
              families={families.filter(({ first }) => first.platform === platform)}
              key={platform}
            />
          ))}
        </main>
        <footer>{email ? `Questions, and files: ${email}` : agency}</footer>
      </body>
    </html>
  );
}

function Legend() {
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
          <i class="zone" /> Stay inside: the mark is fitted here
        </li>
        <li>
          <i class="ground" /> Ground, in your colour
        </li>
        <li>
          <svg width="22" height="22" aria-hidden="true">
            <rect width="22" height="22" fill="url(#nothing)" />
          </svg>
          Nothing: what is behind shows
        </li>
        <li>
          <svg width="22" height="22" aria-hidden="true">
            <rect width="22" height="22" fill="url(#cut)" />
          </svg>
          May be cut away
        </li>
      </ul>
    </>
  );
}

function Platform({ name, families }: { name: string; families: readonly SlotFamily[] }) {
  if (families.length === 0) return null;
  return (
    <section class="platform">
      <h2>{name}</h2>
      <div class="slots">
        {families.map((family) => (
          <Family family={family} key={`${family.first.role}${family.first.qualifier}`} />
        ))}
      </div>
    </section>
  );
}

function Family({ family }: { family: SlotFamily }) {
  const { first, slots } = family;
  const sizes = [...new Set(slots.map(({ width, height }) => (width === height ? `${width}` : `${width}×${height}`)))];
  return (
    <article class="slot">
      <div class="drawn">
        <Diagram family={family} />
      </div>
      <h3>
        {titleOf(first.platform, first.role)}
        {family.name.slice(first.role.length)}
      </h3>
      <p class="facts">
        From {fromSaid(first)} · {alphaSaid[first.alpha]} · {zoneSaid(first)}
      </p>
      <p class="sizes">{sizes.join("  ")} px</p>
      <p class="rule">{first.rule}</p>
    </article>
  );
}
