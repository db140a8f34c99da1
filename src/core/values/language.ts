/** Which way a language is written, by its script (Unicode CLDR, as the runtime carries it). */
export function directionOf(locale: string): "ltr" | "rtl" {
  const info = new Intl.Locale(locale) as Intl.Locale & {
    textInfo?: { direction: string };
    getTextInfo?(): { direction: string };
  };
  return (info.getTextInfo?.() ?? info.textInfo)?.direction === "rtl" ? "rtl" : "ltr";
}
