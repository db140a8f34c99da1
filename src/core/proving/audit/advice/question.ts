import type { Doubt } from "../../../app/template/occurrence.ts";
import type { Residue } from "../search/search.ts";

/** What has to be asked of whoever knows the template, by why no line can be given. */
const questions: Readonly<Record<Exclude<Doubt, "changed">, string>> = {
  code: "It is written as code writes names. Do people see it?",
  page: "It is an address on the template's own site, and a client may have no such page. Which of the client's is it?",
  file: "It is the name of a file or of a resource, which others ask for by it. Do people see it?",
  part: "It is a part of a longer word, a path or a key. Do people or systems meet it?",
  person: "It is the address of one person among others. Is it told to anybody?",
  given: "The platform's own tools give it, for each app another. Which is the client's?",
  unsafe: "Nothing is sure to be read back there as it was meant. Do people or systems meet it?",
};

/** What is no question of yes or no. */
const asksWhich: ReadonlySet<Doubt> = new Set(["page", "given"]);

/** What is asked, and what becomes of either answer. */
export const questionOf = (doubt: Doubt, { file, text }: Residue): string =>
  doubt === "changed"
    ? `The template's own ${file} does not say it: it came in later, and \`oxalis generate\` takes it out.`
    : [
        questions[doubt],
        asksWhich.has(doubt) ? "Let" : "If so, let",
        "the developers take it from one place that can be filled, or give it by `fill` or a question of",
        `template.yaml; if ${asksWhich.has(doubt) ? "nobody meets it" : "not"}, allow "${text}" there`,
        "with the reason.",
      ].join(" ");
