import { Marked } from "marked";
import { parseFragment } from "parse5";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Variant } from "../../app/variant/variant.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { Place } from "../../ground/values/source.ts";
import { type Pieces, putOf, writeDraft } from "./drafts.ts";

/** A privacy policy in a language, as Markdown. */
export interface PolicyText {
  language: string;
  markdown: string;
}

/** A policy that is made for a client: its texts, and the address at which it is to be found. */
export interface Policy {
  texts: readonly PolicyText[];
  at?: string;
  problems: readonly Problem[];
}

/** The policy that the agency's text makes for a client; without texts where the agency has none. */
export function policyFor({ agency }: Workspace, variant: Variant): Policy {
  const { policy } = agency.data;
  if (!policy) return { texts: [], problems: [] };
  const main = variant.values.locale?.value ?? "en";
  const put = putOf(variant, main);
  const at = writeDraft(policy.at, main, put, agency.document.placeOf(["policy", "at"]));
  const written = Object.entries(policy.text).map(([language, pattern]) => ({
    language,
    made: writeDraft(
      pattern,
      language,
      inMarkdown(putOf(variant, language)),
      agency.document.placeOf(["policy", "text", language]),
    ),
  }));
  return {
    texts: written.flatMap(({ language, made }) => (made.ok ? [{ language, markdown: made.value }] : [])),
    ...(at.ok ? { at: at.value } : {}),
    problems: [
      ...(at.ok ? [] : at.problems),
      ...written.flatMap(({ language, made }) =>
        made.ok ? unsafeIn(made.value, agency.document.placeOf(["policy", "text", language])) : made.problems,
      ),
    ],
  };
}

const unsafeIn = (markdown: string, place: Place): Problem[] =>
  leftOut(markdown).map((what) =>
    problem("policy-unsafe", `A policy's page does not get ${what}.`, { severity: "warning", place }),
  );

/** Values as text within Markdown: what marks something there marks nothing. */
const inMarkdown = (put: Pieces): Pieces =>
  Object.fromEntries(
    Object.entries(put).map(([name, value]) => [
      name,
      typeof value === "string" ? value.replace(/[\\`*_[\]<>&~|#]/g, "\\$&") : value,
    ]),
  );

const escapeHtml = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");

/** Where a link of a policy may lead. */
const opened = new Set(["https:", "http:", "mailto:", "tel:"]);

/** An address as a reader of Markdown takes it: named and numbered characters in it are those characters. */
function addressOf(href: string): string {
  const [element] = parseFragment(`<a href="${href.replaceAll('"', "%22")}">`).childNodes;
  return (element && "attrs" in element ? element.attrs[0]?.value : undefined) ?? "";
}

/** Whether an address is one that a client's page may link to; a relative one leads to the page's own site. */
function mayLink(address: string): boolean {
  const base = "https://page.invalid/";
  return URL.canParse(address, base) && opened.has(new URL(address, base).protocol);
}

/** What stands in a client's name is text, not a part of the page; nothing is fetched, and no link runs anything. */
const openReader = () =>
  new Marked({
    async: false,
    renderer: {
      html: ({ text }) => escapeHtml(text),
      image: ({ text }) => escapeHtml(text),
      link({ href, tokens }) {
        const text = this.parser.parseInline(tokens);
        const address = addressOf(href);
        return mayLink(address) ? `<a href="${escapeHtml(address).replaceAll('"', "%22")}">${text}</a>` : text;
      },
    },
  });

/** Pictures and links of a policy that no page gets. */
function leftOut(markdown: string): string[] {
  const found: string[] = [];
  const reader = openReader();
  reader.walkTokens(reader.lexer(markdown), (token) => {
    if (token.type === "image") found.push(`the picture ${token.href}`);
    else if (token.type === "link" && !mayLink(addressOf(token.href))) found.push(`the link to ${token.href}`);
  });
  return found;
}

const style =
  "body{max-width:44em;margin:2em auto;padding:0 1em;font:17px/1.6 system-ui,sans-serif;color-scheme:light dark}";

/** A policy as a page of the app's web part. */
export const policyPage = ({ language, markdown }: PolicyText, name: string): string =>
  `<!doctype html>\n<html lang="${language}">\n<meta charset="utf-8">\n` +
  `<meta name="viewport" content="width=device-width, initial-scale=1">\n<title>${escapeHtml(name)}</title>\n` +
  `<style>${style}</style>\n${openReader().parse(markdown) as string}</html>\n`;

/** That an app handles what belongs to a person, and names no policy. */
export const policyMissing = (client: string): Problem =>
  problem("policy-missing", "The app handles personal data, and no privacy policy is named.", { client });
