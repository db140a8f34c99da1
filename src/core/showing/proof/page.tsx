import { renderToStaticMarkup } from "preact-render-to-string";
import { definitions } from "../../app/platforms/all.ts";
import type { Field } from "../../ground/values/fields.ts";
import { type Platform, platformNames, platforms } from "../../ground/values/platform.ts";
import { Head } from "../../pages/parts/head.tsx";
import { Pic } from "../../pages/parts/parts.tsx";
import type { Sheet } from "../../pages/parts/sheet.ts";
import { type Say, sayIn } from "../../pages/words/page.ts";
import { masked, type ProofModel } from "./model.ts";
import script from "./page.client.js?raw";
import { NameScene, StartScene, StoreScene, TargetScene } from "./scenes.tsx";
import style from "./style.css";

/** The whole page, self-contained: styles and pictures are inside, nothing is fetched. */
export function proofPage(model: ProofModel): string {
  return `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;
}

/** What is said of a stage, by how its apps are installed. */
const stageWords = { beside: "stageBeside", instead: "stageInstead" } as const;

function Page({ agency, language, accent, onAccent, sheets, absent }: ProofModel) {
  const say = sayIn(language);
  return (
    <html lang={language}>
      <Head
        title={`${say("proof")} · ${agency}`}
        accent={accent}
        onAccent={onAccent}
        style={[style, ...sheets.map(pictureRules)].join("\n")}
      />
      <body>
        <header class="top">
          <div>
            <p>{agency}</p>
            <h1>{say("proof")}</h1>
          </div>
          <p class="lead">{say("proofLead")}</p>
          {sheets.length >= manyClients ? (
            <search class="find">
              <label>
                {say("findClient")} <input type="search" autocomplete="off" />
              </label>
            </search>
          ) : null}
          <nav>
            {sheets.map((sheet) => (
              <a href={`#${sheet.key}`} class={`c-${sheet.key}`} data-text={textOf(sheet)} key={sheet.key}>
                <Pic name={leading(sheet)} size={40} />
                <span dir="auto">{sheet.values["app.name"]}</span>
              </a>
            ))}
          </nav>
        </header>
        <main>
          {sheets.map((sheet) => (
            <ClientSheet sheet={sheet} say={say} key={sheet.key} />
          ))}
        </main>
        {absent.length > 0 ? <Absent absent={absent} say={say} /> : null}
        {sheets.length >= manyClients ? <script dangerouslySetInnerHTML={{ __html: script }} /> : null}
      </body>
    </html>
  );
}

/** From so many clients on, there is something to look for. */
const manyClients = 8;

/** By what a client is found. */
const textOf = ({ key, values }: Sheet): string => `${key} ${values["app.name"] ?? ""}`.toLowerCase();

const leading = (sheet: Sheet): string =>
  ["web-any", "and-round", "win-unplated", "ios-icon", "mac-icon", "shell-icon", "target-0"].find((name) =>
    sheet.pictures.has(name),
  ) ?? "none";

/** Each picture as a rule of the client's own, so that it stands in the page once however often it is shown. */
const pictureRules = ({ key, pictures }: Sheet): string =>
  [...pictures]
    .map(([name, uri]) => {
      const property = name === masked ? `-webkit-mask-image:url("${uri}");mask-image` : "background-image";
      return `.c-${key} .p-${name},.c-${key}.p-${name}{${property}:url("${uri}")}`;
    })
    .join("\n");

/** So many clients that are not on the page are named for each reason. */
const mostNamed = 8;

/** Who is not on the page, in a line for each reason. */
function Absent({ absent, say }: Pick<ProofModel, "absent"> & { say: Say }) {
  const reasons = [...new Set(absent.map(({ why }) => why))];
  const named = (why: (typeof reasons)[number]): string => {
    const clients = absent.filter((each) => each.why === why).map(({ client }) => client);
    const first = clients.slice(0, mostNamed).join(", ");
    return clients.length > mostNamed ? say("more", { clients: first, count: clients.length - mostNamed }) : first;
  };
  return (
    <aside class="absent">
      <h2>{say("notHere")}</h2>
      {reasons.map((why) => (
        <p key={why}>{say(why, { clients: named(why) })}</p>
      ))}
    </aside>
  );
}

const swatches: readonly { field: Field; word: "brand" | "icon" | "start" }[] = [
  { field: "colors.brand", word: "brand" },
  { field: "colors.ground", word: "icon" },
  { field: "colors.start", word: "start" },
];

const signingWords = { known: "signedBy", absent: "signedByNothing", wrong: "signedWrongly" } as const;

function Signing({ of, say }: { of: Sheet["signing"][Platform]; say: Say }) {
  if (!of) return null;
  return <dd class={`signing ${of.is}`}>{say(signingWords[of.is], { mark: of.mark })}</dd>;
}

function ClientSheet({ sheet, say }: { sheet: Sheet; say: Say }) {
  const { values } = sheet;
  const colors = [
    `--start:${values["colors.start"]}`,
    `--start-dark:${values["colors.startDark"]}`,
    `--ground:${values["colors.ground"]}`,
    `--brand:${values["colors.brand"]}`,
  ];
  return (
    <article
      id={sheet.key}
      class={`sheet c-${sheet.key}`}
      data-text={textOf(sheet)}
      dir={sheet.direction}
      style={colors.join(";")}
    >
      <header>
        <Pic name={leading(sheet)} size={88} label={say("appIcon")} />
        <div class="who">
          <h2 dir="auto" lang={sheet.locale}>
            {values["app.name"]}
          </h2>
          <p>
            <b dir="auto">{values["app.label"]}</b> {say("underTheIcon")} · {say("versionBuild", values)}
          </p>
          <p>{values.copyright}</p>
          {sheet.stage === undefined ? null : (
            <p class="stage">{say(stageWords[sheet.stage.installs], { stage: sheet.stage.name })}</p>
          )}
        </div>
        <dl class="ids">
          {platforms
            .filter((platform) => sheet.platforms.includes(platform))
            .map((platform) => (
              <div key={platform}>
                <dt>{platformNames[platform]}</dt>
                <dd>{values[`identifiers.${platform}`]}</dd>
                <Signing of={sheet.signing[platform]} say={say} />
              </div>
            ))}
        </dl>
        <ul class="swatches">
          {swatches.map(({ field, word }) => (
            <li key={field}>
              <i style={`background:${values[field]}`} />
              {say(word)} <code>{values[field]}</code>
            </li>
          ))}
        </ul>
      </header>
      <div class="scenes">
        {platforms.map((platform) => {
          const Icons = definitions[platform].scenes.icons;
          return <Icons sheet={sheet} say={say} key={platform} />;
        })}
        <StartScene sheet={sheet} say={say} />
        <StoreScene sheet={sheet} say={say} />
        <TargetScene sheet={sheet} say={say} />
        <NameScene sheet={sheet} say={say} />
      </div>
      <footer class="sign">
        <span>
          {say("state")} <code>{sheet.state}</code>
          <small>{say("stateSays", { files: sheet.files })}</small>
        </span>
        <label>
          <input type="checkbox" /> {say("right")}
        </label>
        <label>
          <input type="checkbox" /> {say("changesWanted")}
        </label>
        <span class="line">{say("name")}</span>
        <span class="line">{say("date")}</span>
      </footer>
    </article>
  );
}
