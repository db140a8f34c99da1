// Writes the parts of docs/ that are tables of the program: node scripts/docs.mjs [--check]
import { readFileSync, writeFileSync } from "node:fs";
import { build } from "esbuild";

const entry = `
export { problemKinds } from "./src/core/problems/catalogue.ts";
export { fields, fieldNames } from "./src/core/values/fields.ts";
export { answerForms, fileForms } from "./src/core/values/answer-forms.ts";
export { missingKinds } from "./src/core/values/missing.ts";
export { platformNames } from "./src/core/values/platform.ts";
export { words } from "./src/core/derive/words.ts";
`;
const { outputFiles } = await build({
  stdin: { contents: entry, resolveDir: "." },
  bundle: true,
  write: false,
  format: "esm",
  platform: "node",
});
const code = Buffer.from(outputFiles[0].contents).toString("base64");
const { problemKinds, fields, fieldNames, answerForms, fileForms, missingKinds, platformNames, words } =
  await import(`data:text/javascript;base64,${code}`);

const cell = (text) => text.replaceAll("|", "\\|");
const table = (heads, rows) =>
  [heads, heads.map(() => "---"), ...rows].map((row) => `| ${row.map(cell).join(" | ")} |`).join("\n");

const parts = {
  "docs/problems.md": {
    problems: Object.entries(problemKinds)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([code, { title, fix }]) => `### ${code}\n\n${title}.\n\n${fix}`)
      .join("\n\n"),
  },
  "docs/files.md": {
    forms: table(
      ["form", "what it is", "such as"],
      [
        ...Object.entries(answerForms).map(([name, { says, example }]) => [
          `\`${name}\``,
          says,
          `\`${example}\``,
        ]),
        ...Object.entries(fileForms).map(([name, says]) => [`\`${name}\``, says, ""]),
      ],
    ),
    missing: table(
      ["", "platform", "what is added"],
      Object.entries(missingKinds).map(([name, { platform, says }]) => [
        `\`${name}\``,
        platformNames[platform],
        says,
      ]),
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
  const after = Object.entries(sections).reduce(
    (text, [name, body]) =>
      text.replace(
        new RegExp(`(<!-- ${name} -->\\n)[\\s\\S]*?(\\n<!-- end -->)`),
        (_, open, close) => `${open}\n${body}\n${close}`,
      ),
    before,
  );
  if (after === before) continue;
  stale = true;
  if (!process.argv.includes("--check")) writeFileSync(file, after);
  console.log(
    `${file} ${process.argv.includes("--check") ? "is not what the program says: run npm run docs" : "written"}`,
  );
}
if (stale && process.argv.includes("--check")) process.exit(1);
