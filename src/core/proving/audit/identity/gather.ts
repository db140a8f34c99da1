import { entriesOfParts } from "../../../app/platforms/desktop/entries.ts";
import { ownAmong } from "../../../app/template/of-others.ts";
import { isResourceScript, programScripts } from "../../../app/template/resource-scripts.ts";
import { commonSchemes } from "../../../app/template/schemes.ts";
import { pagesOfProgram } from "../../../app/template/served.ts";
import { withoutBuildEnding } from "../../../formats/splice/known-ending.ts";
import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";
import { longPattern } from "../../../ground/values/long-pattern.ts";
import { type Place, placeAt } from "../../../ground/values/source.ts";
import { codeReason, componentName } from "../place-kinds.ts";
import { carriers, statementKey } from "./carriers.ts";
import { keyedValues, shellName } from "./keyed.ts";
import type { TermKind } from "./kinds.ts";

/** Something by which a template is known, and the first place that says so. */
export interface Term {
  kind: TermKind;
  text: string;
  place: Place;
  /** So common a word that only a text which is nothing else counts. */
  weak?: true;
}

/** A template's own identity, gathered from all files that can carry any of it; nothing of a survey's is in it. */
export interface Identity {
  terms: readonly Term[];
  /** Namespaces and packages of its code. */
  namespaces: readonly string[];
  /** Packages of desktop shells whose name is the program's: it is taken for it, or nothing else says one. */
  shells: ReadonlyMap<string, "taken" | "alone">;
}

/** Words that name nothing, though they may stand where a name does. */
const common = new Set(
  (
    "app application main demo test tests example sample home title blank index default untitled web " +
    "mobile client my app myapp project template starter"
  ).split(" "),
);

/** What many apps are built with or run on, and speak of. */
const technologies = new Set(
  (
    "Electron,React Native,React,Vue,Angular,Svelte,Ionic,Capacitor,Cordova,Expo,NativeScript,Flutter,Tauri," +
    "GNOME,KDE,GTK,Qt,Linux,Android,iOS,macOS,Windows"
  )
    .toLowerCase()
    .split(","),
);

/** What a build puts in, or a resource that says it elsewhere: no name itself. */
const alias = /^[@?]|\$[({]|\{[{#]|%\w+%|^\$|^ms-resource:/;

/** A word that stands for what a build or a type puts there. */
const putIn = /^(__\w+__|[A-Z]+(_[A-Z]+)+|string|undefined|null|true|false)$/;

/** What an installer brings along for a program (Microsoft, bootstrapper packages). */
const runtimes = /^(Microsoft |Windows Installer\b|SQL Server\b|\.NET\b)/;

/** Hosts and domains that are nobody's (RFC 2606, RFC 6761), or the machine's own. */
const nobodys = /^(localhost|127\.0\.0\.1|0\.0\.0\.0|10\.0\.2\.2|\*|.*\.(local|localhost|invalid|test))$/;

/** Hosts where everybody has pages: a project's home there is its developers'. */
const everybodys = longPattern()`
  ^(www\.)?(github|gitlab|npmjs|google|apple|microsoft|facebook|youtube|linkedin
  |instagram)\.com$|^(www\.)?(bitbucket|wikipedia|schema|w3)\.org$|^(apps|play|itunes)\.(apple
  |google)\.com$
`;

/** Gathers a template's identity from these of its files. */
export function gatherIdentity(template: Folder, files: readonly string[], further: readonly string[]): Identity {
  const terms = new Map<string, Term>();
  const add = (kind: TermKind, text: string, place: Place) => {
    const key = `${kind} ${text.toLowerCase()}`;
    const known = terms.get(key)?.text;
    // Of two ways to write a name, the one that people read counts: a package's or a command's has no capitals.
    if (known === undefined || (kind === "name" && known === known.toLowerCase() && text !== known))
      terms.set(key, { kind, text, place, ...(isWeak(kind, text) ? { weak: true } : {}) });
  };
  const namespaces = new Set<string>();
  const shells = new Map<string, "taken" | "alone">();
  const statedOn: { of: string; key: string }[] = [];
  const parts = new Set(entriesOfParts(template, files));
  const isOfProgram = pagesOfProgram(template);
  const labels = labelTexts(template, files);
  for (const file of ownAmong(files)) {
    // What is in no app says nothing of it.
    if (codeReason(file, {}) !== undefined || parts.has(file) || !mayCarry(template, file)) continue;
    if (/\.html?$/i.test(file) && isOfProgram(file)) continue;
    if (isResourceScript(file) && !programScripts(template).has(file)) continue;
    const path = withoutBuildEnding(file);
    const known = carriers.filter((each) => each.file === undefined || each.file.test(path));
    for (const { key, value, at } of keyedValues(template, file)) {
      if (/^(namespace|testNamespace|PACKAGE_NAMESPACE)$/.test(key)) namespaces.add(value);
      // What a plug-in says of itself, and of who wrote it (KDE, KPluginMetaData), is said of no app.
      if (key.startsWith("KPlugin.")) continue;
      const label = labels.has(key) ? accepts("name", value.trim()) : undefined;
      if (label !== undefined) add("name", label, placeAt(template.source(file), at));
      const isNamed = key === shellName ? namesProgram(template, files) : undefined;
      if (key === shellName && isNamed === undefined) continue;
      if (isNamed !== undefined) shells.set(file, isNamed);
      for (const { kind, key: form, part } of known) {
        if (!form.test(key)) continue;
        const text = (part ? part.exec(value)?.[1] : value)?.trim();
        const found = text === undefined ? undefined : accepts(kind, text);
        if (found === undefined) continue;
        const place = placeAt(template.source(file), at);
        if (key.endsWith("displayName") && componentName.test(place.text)) continue;
        add(kind, found, place);
        const of = kind === "fingerprint" ? statementKey.exec(key)?.[1] : undefined;
        if (of !== undefined) statedOn.push({ of, key: `${kind} ${found.toLowerCase()}` });
        const domain = kind === "identifier" ? domainOf(found) : undefined;
        if (domain !== undefined) add("host", domain, place);
      }
    }
    for (const [, space = ""] of packageLines(template, file)) namespaces.add(space);
  }
  // What is also what people call the app is met by them as that: it is looked for as the name.
  for (const [key, { kind, text }] of terms)
    if ((kind === "owner" || (kind === "identifier" && !text.includes("."))) && terms.has(`name ${text.toLowerCase()}`))
      terms.delete(key);
  for (const { kind, text, place } of [...terms.values()]) {
    const short = kind === "name" ? shorterForm(text) : undefined;
    if (short !== undefined) add("name", short, place);
  }
  for (const name of further) add("name", name, { file: "template.yaml", line: 1, column: 1, text: "" });
  for (const { of, key } of statedOn) if (!terms.has(`identifier ${of.toLowerCase()}`)) terms.delete(key);
  return { terms: [...terms.values()], namespaces: [...namespaces], shells };
}

/** Keys of the texts by which manifests label an app and what people open it by, whatever those are called. */
const labelTexts = (template: Folder, files: readonly string[]): ReadonlySet<string> =>
  new Set(
    ownAmong(files)
      .filter((file) => file.endsWith("AndroidManifest.xml"))
      .flatMap((file) => keyedValues(template, file))
      .flatMap(({ key, value }) => {
        const name = /^(application|activity|activity-alias)@android:label$/.test(key)
          ? /^@string\/([\w.]+)$/.exec(value)?.[1]
          : undefined;
        return name === undefined ? [] : [`string/${name}`];
      }),
  );

/** A program's name that what packs it takes from the package, in code. */
const takesName = /\bpackagerConfig\s*:\s*\{[^}]*?\bname\s*:\s*(?!["'`]|[\w.$]*productName)[\w$]/;

/** How a desktop shell's program is called by its package's name; undefined where something says another. */
function namesProgram(template: Folder, files: readonly string[]): "taken" | "alone" | undefined {
  const texts = files
    .filter((file) => /\.(json5?|ya?ml|toml|[cm]?[jt]s)$/.test(file))
    .map((file) => ({ file, text: textIfAny(template.bytes(file)) ?? "" }));
  if (texts.some(({ text }) => takesName.test(text))) return "taken";
  const isSaid = texts
    .filter(({ text }) => /\b(productName|packagerConfig)\b/.test(text))
    .flatMap(({ file }) => keyedValues(template, file))
    .some(({ key, value }) => /(^|\.)(productName|packagerConfig\.name)$/.test(key) && !alias.test(value));
  return isSaid ? undefined : "alone";
}

/** What stands behind a name to say which form of the app it is. */
const formOfApp = /\s+(?:TV|HD|App|Apps|Mobile|Desktop|Web|Watch|Wear|Tablet|Lite|Pro|Plus|Beta|Dev|Debug|Demo)$/;

/** A name without the word for its form: texts say that alone as well. */
function shorterForm(name: string): string | undefined {
  const short = name.replace(formOfApp, "");
  return short !== name && short.length >= 5 && !common.has(short.toLowerCase()) ? short : undefined;
}

/** A program that says something of its app's identity has one of these words; others need not be parsed. */
const telling = longPattern("i")`
  name|title|app_?id|bundle|package|identifier|scheme|protocol|usermodel|domain|metadata|url
  |canonical|mail|copyright|team|opengraph
`;

const mayCarry = (template: Folder, file: string): boolean =>
  !/\.([cm]?[jt]s|[jt]sx)$/.test(file) || telling.test(textIfAny(template.bytes(file)) ?? "");

const packageLines = (template: Folder, file: string): RegExpMatchArray[] =>
  /\.(kt|java)$/.test(file) ? [...template.source(file).text.matchAll(/^\s*package\s+([\w.]+)/gm)] : [];

/** Beginnings of identifiers that are no domain of whoever owns the app. */
const shared = longPattern()`
  ^(com\.(github|gitlab|google|apple|android|facebook|microsoft|example)|org\.(reactjs|apache
  |nativescript)|io\.(github|ionic|flutter|expo)|dev\.flutter|host\.exp|app\.web)\.
`;

/** The domain that an identifier is made from, by the convention of reversed domain names. */
function domainOf(identifier: string): string | undefined {
  const [top = "", second = "", third] = identifier.toLowerCase().split(".");
  const isSure = third !== undefined || /^(com|org|net|io|dev|app)$/.test(top);
  const isDomain = /^[a-z]{2,}$/.test(top) && /^[a-z0-9-]{3,}$/.test(second) && !common.has(second) && isSure;
  return isDomain && !shared.test(identifier) ? `${second}.${top}` : undefined;
}

/** A value in the form that it is looked for in; undefined where it can be nobody's in particular. */
function accepts(kind: TermKind, text: string): string | undefined {
  if (kind === "identifier") {
    // What stands in front of a variable is the template's own all the same.
    const literal = text.replace(/\$[({].*$/s, "").replace(/\.$/, "");
    const isNobodys = /^(com\.(example|android|apple|google|facebook|microsoft)|org\.(apache|example)|androidx?)$/.test(
      literal,
    );
    if (/^[A-Za-z][\w-]*(\.[\w-]+)+$/.test(literal)) return isNobodys ? undefined : literal;
    return literal === text && /^[A-Za-z][\w-]{3,}$/.test(text) && !putIn.test(text) ? text : undefined;
  }
  if (alias.test(text) || /^__\w+__$/.test(text) || text.length < 2 || text.length > 120) return undefined;
  if (kind === "scheme")
    return commonSchemes.has(text.toLowerCase()) || !/^[a-z][a-z0-9+.-]+$/i.test(text) ? undefined : text;
  if (kind === "host")
    return nobodys.test(text.toLowerCase()) || everybodys.test(text.toLowerCase()) || !/\.[a-z]{2,}$/i.test(text)
      ? undefined
      : text.replace(/^www\./, "");
  if (kind === "name")
    return /\p{L}/u.test(text) && !/[<>{}]|^\.|\/$|^https?:/.test(text) && !runtimes.test(text)
      ? text.replace(programEnding, "").replace(/\s*@[\w.]+@.*$/, "")
      : undefined;
  if (kind === "owner") return /^[\p{L}\p{N}"'(.]/u.test(text) && !/^https?:/.test(text) ? text : undefined;
  return text;
}

/** How a program's file ends: its name is what stands in front of that. */
const programEnding = /(?<=\w)\.(app|exe|apk|ipa|dmg|msi)$/i;

/** Whether a text is too common to be looked for within others. */
function isWeak(kind: TermKind, text: string): boolean {
  if (kind === "name" || kind === "owner")
    return text.length < 4 || common.has(text.toLowerCase()) || technologies.has(text.toLowerCase());
  return kind === "scheme" && text.length < 4;
}
