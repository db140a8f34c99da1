import { renderToStaticMarkup } from "preact-render-to-string";
import { Head } from "../page/head.tsx";
import { Pic } from "../page/parts.tsx";
import type { Sheet } from "../page/sheet.ts";
import { definitions } from "../platforms/all.ts";
import type { Field } from "../values/fields.ts";
import { type Platform, platformNames, platforms } from "../values/platform.ts";
import type { ProofModel } from "./model.ts";
import { NameScene, StartScene, StoreScene, TargetScene } from "./scenes.tsx";
import style from "./style.css";

/** The whole page, self-contained: styles and pictures are inside, nothing is fetched. */
export function proofPage(model: ProofModel): string {
  return `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;
}

function Page({ agency, accent, onAccent, sheets, absent }: ProofModel) {
  return (
    <html lang="en">
      <Head
        title={`Proof · ${agency}`}
        accent={accent}
        onAccent={onAccent}
        style={[style, ...sheets.map(pictureRules)].join("\n")}
      />
      <body>
        <header class="top">
          <div>
            <p>{agency}</p>
            <h1>Proof</h1>
          </div>
          <p class="lead">
            Every picture below is the file that goes into the app, shown the way a device shows it. Look at each, on
            light and dark, and sign where it is right.
          </p>
          <nav>
            {sheets.map((sheet) => (
              <a href={`#${sheet.key}`} class={`c-${sheet.key}`} key={sheet.key}>
                <Pic name={leading(sheet)} size={40} />
                <span>{sheet.values["app.name"]}</span>
              </a>
            ))}
          </nav>
        </header>
        {absent.length > 0 ? <Absent absent={absent} /> : null}
        <main>
          {sheets.map((sheet) => (
            <ClientSheet sheet={sheet} key={sheet.key} />
          ))}
        </main>
      </body>
    </html>
  );
}

const leading = (sheet: Sheet): string =>
  ["web-any", "and-round", "win-unplated", "ios-icon", "mac-icon", "shell-icon", "target-0"].find((name) =>
    sheet.pictures.has(name),
  ) ?? "none";

/** Each picture as a rule of the client's own, so that it stands in the page once however often it is shown. */
const pictureRules = ({ key, pictures }: Sheet): string =>
  [...pictures]
    .map(([name, uri]) => {
      const property = name === "and-mono" ? `-webkit-mask-image:url(${uri});mask-image` : "background-image";
      return `.c-${key} .p-${name},.c-${key}.p-${name}{${property}:url(${uri})}`;
    })
    .join("\n");

function Absent({ absent }: Pick<ProofModel, "absent">) {
  return (
    <aside class="absent">
      <h2>Not on this page</h2>
      <ul>
        {absent.map(({ client, reason }) => (
          <li key={client}>
            <b>{client}</b> {reason}
          </li>
        ))}
      </ul>
    </aside>
  );
}

/** In the order in which the scenes follow each other. */
const identities: readonly Platform[] = ["android", "ios", "desktop", "windows", "web"];

const swatches: readonly { field: Field; says: string }[] = [
  { field: "colors.brand", says: "Brand" },
  { field: "colors.ground", says: "Icon" },
  { field: "colors.start", says: "Start" },
];

function ClientSheet({ sheet }: { sheet: Sheet }) {
  const { values } = sheet;
  const colors = [
    `--start:${values["colors.start"]}`,
    `--start-dark:${values["colors.startDark"]}`,
    `--ground:${values["colors.ground"]}`,
    `--brand:${values["colors.brand"]}`,
  ];
  return (
    <article id={sheet.key} class={`sheet c-${sheet.key}`} style={colors.join(";")}>
      <header>
        <Pic name={leading(sheet)} size={88} label="App icon" />
        <div class="who">
          <h2 dir="auto">{values["app.name"]}</h2>
          <p>
            <b dir="auto">{values["app.label"]}</b> under the icon · version {values.version}, build {values.build}
          </p>
          <p>{values.copyright}</p>
          {sheet.stage === undefined ? null : (
            <p class="stage">
              Not for the store: this is its form for the stage <b>{sheet.stage}</b>.
            </p>
          )}
        </div>
        <dl class="ids">
          {identities
            .filter((platform) => sheet.platforms.includes(platform))
            .map((platform) => (
              <div key={platform}>
                <dt>{platformNames[platform]}</dt>
                <dd>{values[`identifiers.${platform}`]}</dd>
              </div>
            ))}
        </dl>
        <ul class="swatches">
          {swatches.map(({ field, says }) => (
            <li key={field}>
              <i style={`background:${values[field]}`} />
              {says} <code>{values[field]}</code>
            </li>
          ))}
        </ul>
      </header>
      <div class="scenes">
        {platforms.map((platform) => {
          const Icons = definitions[platform].scenes.icons;
          return <Icons sheet={sheet} key={platform} />;
        })}
        <StartScene sheet={sheet} />
        <StoreScene sheet={sheet} />
        <TargetScene sheet={sheet} />
        <NameScene sheet={sheet} />
      </div>
      <footer class="sign">
        <span>
          State <code>{sheet.state}</code>
          <small>{sheet.files} files; this mark changes when any of them does</small>
        </span>
        <label>
          <input type="checkbox" /> Right as shown
        </label>
        <label>
          <input type="checkbox" /> Changes wanted
        </label>
        <span class="line">Name</span>
        <span class="line">Date</span>
      </footer>
    </article>
  );
}
