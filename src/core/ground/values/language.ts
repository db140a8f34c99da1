import * as z from "zod";

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

/** Which way a language is written, by its script (Unicode CLDR, as the runtime carries it). */
export function directionOf(locale: string): "ltr" | "rtl" {
  const info = new Intl.Locale(locale) as Intl.Locale & {
    textInfo?: { direction: string };
    getTextInfo?(): { direction: string };
  };
  return (info.getTextInfo?.() ?? info.textInfo)?.direction === "rtl" ? "rtl" : "ltr";
}
