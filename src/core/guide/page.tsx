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

/** What to supply; the first is needed, or the second, and the rest helps. */
const wanted = [
  {
    name: "Mark",
    need: "Needed, unless you send an icon",
    says: "The logo alone, on nothing: no ground, no frame, no shadow. Cropped tight; margins are ignored.",
    form: "SVG, text turned into paths. Or PNG with transparency, 1024 pixels or more.",
    keep: "It is laid on one flat colour, light or dark: it must stand out from it by 3 : 1.",
  },
  {
    name: "Icon",
    need: "If the icon is more than the mark on a colour",
    says: "A full square picture, ground included. No rounded corners: each system cuts its own.",
    form: "SVG, or PNG or JPEG of 1024 × 1024 pixels or more. Opaque.",
    keep: "Everything that matters within the middle circle of two thirds of the width.",
  },
  {
    name: "Mono",
    need: "Helpful",
    says: "The mark in one colour, for badges and icons that the system tints.",
    form: "SVG or PNG with transparency; only the shape counts.",
    keep: "Without it, the mark's outline is used; what has the ground's colour becomes a hole.",
  },
  {
    name: "Colours",
    need: "Needed",
    says: "Brand colour, and the ground of the icon where it is another one.",
    form: "As #rrggbb, opaque.",
    keep: "The start screen shows the mark on the ground too, upright and turned.",
  },
  {
    name: "Wide logo",
    need: "Helpful",
    says: "The logo with its lettering, wider than high, for banners and wide tiles.",
    form: "SVG, text turned into paths. Or PNG with transparency, 1200 pixels wide or more.",
    keep: "Without it, the mark is used, and on banners the app's name is set beside it.",
  },
  {
    name: "Start screen",
    need: "If it is more than the mark on a colour",
    says:
      "One picture over the whole screen; or a tile that is repeated; or a second colour, for the foot of " +
      "the ground.",
    form: "Picture: SVG, or 2752 × 2752 pixels. Tile: SVG, or 550 pixels wide.",
    keep: "Screens of every shape are cut from the picture: name the point that must stay in sight.",
  },
  {
    name: "For dark screens",
    need: "Helpful",
    says: "Mark, icon, wide logo or start picture for phones that are set to dark.",
    form: "The same as their light ones.",
    keep: "Without them, the light ones stand on a darkened ground, where they stand out from it.",
  },
  {
    name: "Drawn by hand",
    need: "Seldom",
    says: "Any single picture below, drawn for its one place. Small notification icons gain most.",
    form: "SVG, or PNG at the size that is named there.",
    keep: "Name the file after the picture.",
  },
] as const;

function Page({ agency, email, accent, onAccent, families }: GuideModel) {
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
            {wanted.map(({ name, need, says, form, keep }) => (
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
