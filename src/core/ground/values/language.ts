import * as z from "zod";
import { codesByName } from "./named.ts";

/** A language as briefs and records name it: its code, its script and its country where they matter (BCP 47). */
export const languageTag = z
  .string()
  .regex(/^[a-z]{2,3}(-[A-Z][a-z]{3})?(-([A-Z]{2}|[0-9]{3}))?$/, "a language tag such as en, pt-BR or zh-Hant");

/** A language as people write it, pt_br, in the form that a brief has; undefined for what is none. */
export function languageTagOf(written: string): string | undefined {
  try {
    const [tag = ""] = Intl.getCanonicalLocales(written.replaceAll("_", "-"));
    return languageTag.safeParse(tag).data;
  } catch {
    return undefined;
  }
}

/** Languages by their names, in the languages of pages and in their own (Unicode CLDR, as the runtime carries it). */
let named: ReadonlyMap<string, string> | undefined;

/** The tag of a language by its name, as "Deutsch" or "German"; undefined of what is called by none. */
export function languageNamed(name: string): string | undefined {
  // Each has a name in itself, too.
  named ??= codesByName("language", { also: (code) => code });
  return named.get(name.trim().toLowerCase());
}

/** Which way a language is written, by its script (Unicode CLDR, as the runtime carries it). */
export function directionOf(locale: string): "ltr" | "rtl" {
  const info = new Intl.Locale(locale) as Intl.Locale & {
    textInfo?: { direction: string };
    getTextInfo?(): { direction: string };
  };
  return (info.getTextInfo?.() ?? info.textInfo)?.direction === "rtl" ? "rtl" : "ltr";
}
