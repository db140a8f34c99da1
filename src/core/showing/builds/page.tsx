import { renderToStaticMarkup } from "preact-render-to-string";
import type { BuiltFile } from "../../agency/history/builds.ts";
import { resultKindNames } from "../../ground/values/package.ts";
import { platformNames } from "../../ground/values/platform.ts";
import { sizeSaid } from "../../ground/values/size.ts";
import filters from "../../pages/parts/filters.css";
import { Head } from "../../pages/parts/head.tsx";
import top from "../../pages/parts/top.css";
import { type ShownBuild, stateSaid, statesSaid } from "./build.ts";
import script from "./page.client.js?raw";
import style from "./style.css";

export interface BuildsModel {
  agency: string;
  accent: string;
  onAccent: string;
  builds: readonly ShownBuild[];
  /** What each client's app is called, by key. */
  names: ReadonlyMap<string, string>;
  /** Whether an address serves them to testers. */
  isServed: boolean;
  /** From the page to a path within the workspace. */
  linkTo(path: string): string;
}

/** Every build as one page that opens from disk: what there is for whom, where it lies, how it is installed. */
export const buildsPage = (model: BuildsModel): string =>
  `<!doctype html>\n${renderToStaticMarkup(<Page {...model} />)}\n`;

function Page({ agency, accent, onAccent, builds, names, isServed, linkTo }: BuildsModel) {
  const clients = [...new Set(builds.map(({ client }) => client))];
  const stages = [...new Set(builds.map(({ stage }) => stage))];
  const used = [...new Set(builds.map(({ platform }) => platform))];
  return (
    <html lang="en">
      <Head title={`Builds · ${agency}`} accent={accent} onAccent={onAccent} style={`${top}\n${filters}\n${style}`} />
      <body>
        <header class="top">
          <p>{agency}</p>
          <h1>Builds</h1>
          <p class="lead">
            {count(builds.length, "build")} of {count(clients.length, "client")}, the latest first.{" "}
            {isServed
              ? "Whoever tries one gets the address of its install page."
              : "No address serves them: whoever tries one gets the file, and its install page beside it."}
          </p>
        </header>
        <search>
          <form class="filters">
            <label>
              Client <input type="search" name="text" autocomplete="off" />
            </label>
            <Choice name="platform" title="Platform" of={used.map((each) => [each, platformNames[each]])} />
            <Choice name="stage" title="Stage" of={stages.map((each) => [each, each])} />
            <Choice name="state" title="State" of={statesSaid.map((each) => [each, each])} />
            <output name="count">{builds.length} shown</output>
          </form>
        </search>
        <main>
          {clients.length === 0 ? <p>Nothing has been built yet.</p> : null}
          {clients.map((client) => {
            const name = names.get(client) ?? client;
            return (
              <section key={client} data-text={`${client} ${name}`.toLowerCase()} aria-label={name}>
                <h2>
                  <span dir="auto">{name}</span> <small>{client}</small>
                </h2>
                <ul>
                  {builds
                    .filter((each) => each.client === client)
                    .map((each) => (
                      <Build build={each} linkTo={linkTo} key={`${each.stage}${each.platform}${each.build}`} />
                    ))}
                </ul>
              </section>
            );
          })}
        </main>
        <script dangerouslySetInnerHTML={{ __html: script }} />
      </body>
    </html>
  );
}

const count = (many: number, what: string): string => `${many} ${many === 1 ? what : `${what}s`}`;

function Choice({ name, title, of }: { name: string; title: string; of: readonly (readonly [string, string])[] }) {
  return (
    <label>
      {title}{" "}
      <select name={name}>
        <option value="">any</option>
        {of.map(([value, said]) => (
          <option value={value} key={value}>
            {said}
          </option>
        ))}
      </select>
    </label>
  );
}

type Linked = Pick<BuildsModel, "linkTo">;

function Build({ build, linkTo }: { build: ShownBuild } & Linked) {
  const { platform, stage, version, build: number, on, by, folder, install, why, given, machine, isThere } = build;
  const state = stateSaid(build);
  const facts = [
    ...(by === undefined ? [] : [`by ${by}`]),
    ...(machine === undefined ? [] : [`on ${machine}`]),
    ...given.map(({ to, on: day }) => `given to ${to === "store" ? "the store" : to} on ${day}`),
    ...(state === "removed" ? [`its files were removed on ${build.removed}`] : []),
  ];
  return (
    <li class="build" data-platform={platform} data-stage={stage} data-state={state}>
      <p class="what">
        <b>{platformNames[platform]}</b>
        <span>{stage === "store" ? "for the store" : stage}</span>
      </p>
      <p class="number">
        <b>
          {version} ({number})
        </b>
        <span>
          <time datetime={on}>{on}</time>
        </span>
      </p>
      <p class="state">
        <i class={state.replaceAll(" ", "-")}>{state}</i>
      </p>
      <div class="files">
        {why === undefined ? null : <p class="why">{why}</p>}
        {isThere ? <Files files={build.files} folder={folder} linkTo={linkTo} /> : null}
        {facts.length > 0 ? <p class="facts">{facts.join(", ")}</p> : null}
        <Notes notes={build.notes} />
      </div>
      <p class="more">
        {install !== undefined && isThere ? <a href={linkTo(install)}>How it is installed</a> : null}
        {build.hasLog ? <a href={linkTo(`${folder}/build.log`)}>Log</a> : null}
      </p>
    </li>
  );
}

function Files({ files, folder, linkTo }: { files: readonly BuiltFile[]; folder: string } & Linked) {
  return (
    <ul>
      {files.map(({ kind, path, size }) => (
        <li key={path}>
          <span class="kind">{resultKindNames[kind]}</span> <a href={linkTo(`${folder}/${path}`)}>{path}</a>{" "}
          <small>{sizeSaid(size)}</small>
        </li>
      ))}
    </ul>
  );
}

function Notes({ notes }: Pick<ShownBuild, "notes">) {
  const all = Object.entries(notes);
  if (all.length === 0) return null;
  return (
    <details>
      <summary>What is new</summary>
      <dl>
        {all.map(([language, text]) => (
          <div key={language}>
            <dt>{language}</dt>
            <dd lang={language} dir="auto">
              {text}
            </dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
