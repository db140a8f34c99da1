import { Marked } from "marked";
import { type Problem, problem } from "../problems/problem.ts";
import type { Variant } from "../variant/variant.ts";
import type { Workspace } from "../workspace/workspace.ts";
import { type Put, putOf, writeDraft } from "./drafts.ts";

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
    problems: [...(at.ok ? [] : at.problems), ...written.flatMap(({ made }) => (made.ok ? [] : made.problems))],
  };
}

/** Values as text within Markdown: what marks something there marks nothing. */
const inMarkdown = (put: Put): Put =>
  Object.fromEntries(
    Object.entries(put).map(([name, value]) => [
      name,
      typeof value === "string" ? value.replace(/[\\`*_[\]<>&~|#]/g, "\\$&") : value,
    ]),
  );

const escapeHtml = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");

/** What stands in a client's name is text, not a part of the page. */
const marked = new Marked({ async: false, renderer: { html: ({ text }) => escapeHtml(text) } });

const style =
  "body{max-width:44em;margin:2em auto;padding:0 1em;font:17px/1.6 system-ui,sans-serif;color-scheme:light dark}";

/** A policy as a page of the app's web part. */
export const policyPage = ({ language, markdown }: PolicyText, name: string): string =>
  `<!doctype html>\n<html lang="${language}">\n<meta charset="utf-8">\n` +
  `<meta name="viewport" content="width=device-width, initial-scale=1">\n<title>${escapeHtml(name)}</title>\n` +
  `<style>${style}</style>\n${marked.parse(markdown) as string}</html>\n`;

/** That an app handles what belongs to a person, and names no policy. */
export const policyMissing = (client: string): Problem =>
  problem("policy-missing", "The app handles personal data, and no privacy policy is named.", { client });
