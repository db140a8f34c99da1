import { join } from "node:path";
import { type Document, parseYaml } from "../../agency/documents/document.ts";
import { validate } from "../../agency/documents/validate.ts";
import { textOf } from "../../agency/history/kept-file.ts";
import { readAt } from "../../agency/workspace/layers.ts";
import { textsSchema } from "../../agency/workspace/schema/store.ts";
import type { Client } from "../../agency/workspace/workspace.ts";
import { entriesOf, readInside } from "../../ground/files/reading/folder.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attempt, refuse } from "../../ground/problems/result.ts";
import { languageTagOf } from "../../ground/values/language.ts";
import { steeringIn } from "../../ground/values/plain-text.ts";
import { placeAt } from "../../ground/values/source.ts";
import { type Traced, trace } from "../../ground/values/trail.ts";
import { type RecordField, spokenFieldNames } from "../../stores/record-fields.ts";

/** Texts that lie beside a brief: store/en.yaml holds those in English, by the names that a brief has for them. */
export interface Beside {
  textOf(field: RecordField, language: string): Traced | undefined;
}

const said = { by: "brief", note: "given beside the brief" } as const;

/** Reads the texts that a client has beside its brief, and says what is wrong with their files. */
export function readBeside(client: Client): { beside: Beside; problems: Problem[] } {
  const problems: Problem[] = [];
  const documents = new Map<string, Document>();
  const former = new Map<string, Traced>();
  const formerFiles: string[] = [];
  for (const { name, isFolder } of entriesOf(join(client.folder, "store"), "store")) {
    if (isFolder) {
      const found = readFormer(client, name);
      for (const [field, { file, text }] of found.texts) {
        former.set(`${name} ${field}`, trace({ ...said, note: file, value: text }));
        formerFiles.push(file);
      }
      problems.push(...found.problems);
    } else if (/\.ya?ml$/.test(name)) {
      const read = attempt(() => readLanguage(client, name));
      if (read.ok) documents.set(read.value.language, read.value.document);
      else problems.push(...read.problems);
    }
  }
  const [first, ...more] = formerFiles;
  if (first !== undefined) problems.push(formerProblem(client, first, more.length));
  return {
    beside: {
      textOf(field, language) {
        const document = documents.get(language);
        return (document && readAt(document, [field], said)) ?? former.get(`${language} ${field}`);
      },
    },
    problems,
  };
}

/** Stops: value-invalid, yaml-syntax, key-unknown and whatever else is wrong with such a file. */
function readLanguage(client: Client, name: string): { language: string; document: Document } {
  const file = `clients/${client.key}/store/${name}`;
  const language = name.replace(/\.ya?ml$/, "");
  if (languageTagOf(language) !== language)
    refuse("value-invalid", `${file} is called as no language is.`, {
      expected: "a tag such as en.yaml or pt-BR.yaml",
    });
  const document = parseYaml({ file, text: textOf(readInside(client.folder, `store/${name}`, file), file) });
  validate(document, textsSchema);
  return { language, document };
}

/** Longest text that is taken in the form from before, in bytes; no store takes a tenth of it. */
const longest = 256 * 1024;

/** Texts in the form from before: a folder a language, a file a text. */
function readFormer(
  client: Client,
  language: string,
): { texts: Map<RecordField, { file: string; text: string }>; problems: Problem[] } {
  const texts = new Map<RecordField, { file: string; text: string }>();
  const problems: Problem[] = [];
  for (const field of spokenFieldNames) {
    const path = `store/${language}/${field}.txt`;
    const file = `clients/${client.key}/${path}`;
    const read = attempt(() => {
      const bytes = readInside(client.folder, path, file);
      if (bytes.length > longest)
        refuse("file-too-large", `${file} has ${bytes.length} bytes; the limit is ${longest}.`);
      return plainText(textOf(bytes, file), file);
    });
    if (read.ok) texts.set(field, { file, text: asLines(field, read.value) });
    else problems.push(...read.problems.filter(({ code }) => code !== "file-missing"));
  }
  return { texts, problems };
}

const formerProblem = ({ key }: Client, first: string, more: number): Problem =>
  problem(
    "form-former",
    `${first}${more === 0 ? " is" : ` and ${more} more are`} in the form from before: a file a text.`,
    {
      severity: "warning",
      expected: `clients/${key}/store/<language>.yaml, with \`description: …\` and the others in it`,
    },
  );

/** A text as it goes to the stores. Stops: text-invalid, where it holds what no text of an app holds. */
function plainText(text: string, file: string): string {
  const found = steeringIn(text, true);
  if (found) {
    const place = placeAt({ file, text }, [...text].slice(0, found.at - 1).join("").length);
    refuse("text-invalid", `${file} holds ${found.codePoint}, ${found.says}.`, { place });
  }
  return text.trim().normalize("NFC");
}

/** Keywords in one text may stand between commas. */
export const asLines = (field: RecordField, text: string): string =>
  field === "keywords" && !text.includes("\n") ? text.split(",").join("\n") : text;
