import { type PackageFacts, packageKinds } from "../../core/app/packages/facts.ts";
import { profileKindNames } from "../../core/app/platforms/apple/profile.ts";
import { isError } from "../../core/ground/problems/problem.ts";
import { mapResult } from "../../core/ground/problems/result.ts";
import { sizeSaid } from "../../core/ground/values/size.ts";
import { type Inspected, inspectPackages } from "../../core/operations/inspect.ts";
import type { Run } from "../command.ts";
import { placeData } from "../view/data.ts";
import { showGrouped } from "../view/groups.ts";
import { table } from "../view/table.ts";

export const run: Run<"inspect"> = async (given, { terminal, ports }) =>
  mapResult(await inspectPackages(given, ports), (all) => {
    const { out, err, print, note, room, json, settings } = terminal;
    const problems = all.flatMap((each) => each.problems);
    if (given.json) json({ packages: all.map((each) => ({ ...each, problems: each.problems.map(placeData) })) });
    else {
      const shown = all.filter(({ facts }) => facts);
      if (!given.quiet && shown.length > 0)
        print(table(["", ...shown.map(({ file }) => file)], rowsOf(shown, settings.verbose === true), out, room));
      if (problems.length > 0) note(`${showGrouped(problems, settings.verbose === true, err)}\n`);
    }
    return problems.some(isError) ? 1 : 0;
  });

type Said = (facts: PackageFacts) => string;

const told: readonly (readonly [what: string, said: Said])[] = [
  ["is", ({ kind }) => packageKinds[kind].title],
  ["for", ({ kind }) => packageKinds[kind].use],
  ["identifier", ({ identifier }) => identifier],
  ["label", ({ labels }) => Object.entries(labels).map(labelSaid).join(", ")],
  ["version", ({ version, build }) => (version === build || build === "" ? version : `${version} (${build})`)],
  ["runs on", (facts) => systemsSaid(facts)],
  ["asks for", ({ permissions }) => permissions.map((each) => each.replace("android.permission.", "")).join(", ")],
  ["opens", ({ schemes }) => schemes.map((each) => `${each}:`).join(", ")],
  ["publisher", ({ publisher = "" }) => publisher],
  ["signed by", ({ signer }) => (signer ? `${signer.subject}, ${signer.sha256.slice(0, 23)}…` : "")],
  ["signature", ({ signer }) => (signer ? `${signer.by}, ${holdsSaid(signer.holds)}` : "none")],
  ["notary's ticket", ({ ticket }) => (ticket === undefined ? "" : ticket ? "in it" : "not in it")],
  [
    "profile",
    ({ profile }) => (profile ? `"${profile.title}", ${profileKindNames[profile.kind]}, to ${profile.until}` : ""),
  ],
  ["brings", ({ parts = [] }) => parts.map(({ identifier }) => identifier).join(", ")],
  ["assets", ({ catalog }) => (catalog ? catalogSaid(catalog) : "")],
  ["symbols", ({ symbols }) => (symbols.length > 0 ? filesSaid(symbols) : "")],
  ["unfit", ({ unfit }) => unfit.map((each) => `it ${each}`).join("; ")],
  ["not as listed", ({ odd }) => filesSaid(odd)],
  ["not looked into", ({ closed }) => filesSaid(closed)],
  ["files", ({ files }) => String(files)],
];

const catalogSaid = ({ assets, pictures, icon }: NonNullable<PackageFacts["catalog"]>): string =>
  `${assets} by name, in ${pictures} pictures${icon.length > 0 ? `; the icon as ${icon.join(", ")}` : ""}`;

const holdsSaid = (holds: boolean | undefined): string =>
  holds === undefined ? "not verified here" : holds ? "it holds" : "it does not hold";

const filesSaid = ([first = "", ...more]: readonly string[]): string =>
  more.length > 0 ? `${first} and ${more.length} more` : first;

/** Android counts its systems by levels of what apps can ask of them. */
function systemsSaid({ kind, minimum = "", target }: PackageFacts): string {
  const level = kind === "apk" || kind === "aab" ? "API level " : "";
  if (minimum === "") return target === undefined ? "" : `made for ${level}${target}`;
  return `${level}${minimum} and later${target === undefined ? "" : `, made for ${target}`}`;
}

const labelSaid = ([language, label]: [string, string]): string => (language === "" ? label : `${language}: ${label}`);

/** A line for each thing that some package says. */
function rowsOf(all: readonly Inspected[], isVerbose: boolean): string[][] {
  const rows = told.map(([what, said]) => [what, ...all.map(({ facts }) => (facts ? said(facts) : ""))]);
  const whose = ["client", ...all.map(({ client }) => client ?? "nobody's here")];
  const sizes = ["size", ...all.map(({ size }) => sizeSaid(size))];
  const debug = ["debuggable", ...all.map(({ facts }) => (facts?.isDebuggable ? "yes" : "no"))];
  const kept = [...rows.filter((row) => row.slice(1).some(Boolean)), sizes, whose];
  return isVerbose || debug.includes("yes") ? [...kept, debug] : kept;
}
