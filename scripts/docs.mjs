// Writes the parts of docs/ that are tables of the program: node scripts/docs.mjs [--check]
import { readFileSync, writeFileSync } from "node:fs";
import { resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { build } from "esbuild";

const tables = resolve("node_modules/.cache/docs-tables.mjs");
await build({
  entryPoints: ["scripts/docs-tables.ts"],
  bundle: true,
  outfile: tables,
  format: "esm",
  platform: "node",
  packages: "external",
});
const {
  problemKinds,
  whoActs,
  fields,
  fieldNames,
  answerForms,
  fileForms,
  missingKinds,
  platformNames,
  words,
  carriers,
  termPlaces,
  codePlaces,
  rows,
  flagOf,
  keyRoleFacts,
  questions,
  stores,
  dataKinds,
  dataMarks,
  purposes,
} = await import(pathToFileURL(tables));

const cell = (text) => text.replaceAll("|", "\\|");
const table = (heads, rows) =>
  [heads, heads.map(() => "---"), ...rows].map((row) => `| ${row.map(cell).join(" | ")} |`).join("\n");

/** A paragraph in lines of at most so many columns. */
const wrapped = (text, width = 118) =>
  text.split(" ").reduce((lines, word) => {
    const last = lines.slice(lines.lastIndexOf("\n") + 1);
    return `${lines}${last.length + word.length >= width ? "\n" : lines && " "}${word}`;
  }, "");

/** A pattern as it is written, in a cell. */
const pattern = (each) => (each ? `\`${each.source.replaceAll("\\/", "/")}\`` : "");

/** Where values of a kind of place are looked for: what it is, in which files, under which keys. */
const carriedIn = (place) =>
  table(
    ["what", "files", "what leads to it"],
    carriers
      .filter(({ kind }) => termPlaces[kind].place === place)
      .map(({ kind, file, key }) => [`${kind}: ${termPlaces[kind].reason}`, pattern(file), pattern(key)]),
  );

/** An option as it is written, with its short form and what its value is called. */
const written = ([name, { short, value, of }]) =>
  `\`${[short, flagOf(name)].filter(Boolean).join(", ")}${value ? ` ${of ? of.join("|") : value}` : ""}\``;

/** Options that every command in a workspace has stand at the top of the page. */
const common = Object.keys(rows.export.options);

const parts = {
  "docs/commands.md": {
    options: table(
      ["command", "option", ""],
      Object.entries(rows).flatMap(([name, { options }]) =>
        Object.entries(options)
          .filter(([option, { says }]) => !common.includes(option) || says !== rows.export.options[option].says)
          .map((each, at) => [at === 0 ? `[${name}](#${name.split(" ")[0]})` : "", written(each), each[1].says]),
      ),
    ),
  },
  "docs/declarations.md": {
    questions: table(
      ["name", "", "words", "asked by"],
      questions.map(({ name, asks, of, isSeveral, stores: askedBy, permission }) => [
        `\`${name}\``,
        `${asks}${permission ? ". Asked where the manifest asks for it" : ""}`,
        name === "data" ? "none, or the kinds below" : `${of.join(", ")}${isSeveral ? " (several)" : ""}`,
        askedBy.map((key) => stores[key].title).join(", "),
      ]),
    ),
    kinds: table(
      ["kind", "what it is", "App Privacy", "Data safety"],
      Object.entries(dataKinds).map(([kind, says]) => [
        `\`${kind}\``,
        says,
        stores["app-store"].data.kinds[kind].join(", "),
        stores["google-play"].data.kinds[kind].join(", "),
      ]),
    ),
    said: table(
      ["word", "what it says", "App Privacy", "Data safety"],
      [
        ...Object.entries(dataMarks).map(([word, says]) => [`\`${word}\``, says, "", ""]),
        ...Object.entries(purposes).map(([word, says]) => [
          `\`${word}\``,
          `purpose: ${says}`,
          stores["app-store"].data.purposes[word] ?? "none: choose another",
          stores["google-play"].data.purposes[word] ?? "none: choose another",
        ]),
      ],
    ),
  },
  "docs/keys.md": {
    roles: table(
      ["key", "platform", "what it is for", "a new one", "what is lost with it"],
      Object.entries(keyRoleFacts).map(([role, { title, platform, says, algorithm, years, loss }]) => [
        `${title} (\`${role}\`)`,
        platformNames[platform],
        says,
        `${"rsa" in algorithm ? `RSA ${algorithm.rsa}` : `EC ${algorithm.ec}`}${years ? `, ${years} years` : ""}`,
        loss,
      ]),
    ),
  },
  "docs/places.md": {
    seen: carriedIn("seen"),
    identifies: carriedIn("identifies"),
    code: table(
      ["why it stays", "files", "what leads to it, or its line"],
      codePlaces.map(({ reason, file, at, line }) => [reason, pattern(file), pattern(at ?? line)]),
    ),
  },
  "docs/problems.md": {
    problems: Object.entries(problemKinds)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([code, { title, fix }]) => `### ${code}\n\n${title}. For the ${whoActs(code)}.\n\n${wrapped(fix)}`)
      .join("\n\n"),
  },
  "docs/files.md": {
    forms: table(
      ["form", "what it is", "such as"],
      [
        ...Object.entries(answerForms).map(([name, { says, example }]) => [`\`${name}\``, says, `\`${example}\``]),
        ...Object.entries(fileForms).map(([name, says]) => [`\`${name}\``, says, ""]),
      ],
    ),
    missing: table(
      ["", "platform", "what is added"],
      Object.entries(missingKinds).map(([name, { platform, says }]) => [`\`${name}\``, platformNames[platform], says]),
    ),
  },
  "docs/patterns.md": {
    fields: table(
      ["field", "what it is", "given in a brief as", "otherwise"],
      fieldNames.map((name) => {
        const { says, brief, pattern } = fields[name];
        return [`\`${name}\``, says, brief ? `\`${brief.join(".")}\`` : "", pattern ? `\`${pattern}\`` : ""];
      }),
    ),
    words: table(
      ["word", "gives"],
      Object.entries(words).map(([name, { says, takes }]) => [
        `\`${[name, takes?.example].filter(Boolean).join(" ")}\``,
        says,
      ]),
    ),
  },
};

let stale = false;
for (const [file, sections] of Object.entries(parts)) {
  const before = readFileSync(file, "utf8");
  const after = Object.entries(sections).reduce((text, [name, body]) => {
    const [open, end] = [`<!-- ${name} -->\n`, "\n<!-- end -->"];
    const from = text.indexOf(open);
    const to = text.indexOf(end, from + open.length - 1);
    if (from === -1 || to === -1) throw new Error(`${file} has no place for ${name}`);
    return `${text.slice(0, from)}${open}\n${body}\n${text.slice(to)}`;
  }, before);
  if (after === before) continue;
  stale = true;
  if (!process.argv.includes("--check")) writeFileSync(file, after);
  console.log(
    `${file} ${process.argv.includes("--check") ? "is not what the program says: run npm run docs" : "written"}`,
  );
}
if (stale && process.argv.includes("--check")) process.exit(1);
