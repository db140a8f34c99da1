import type { StoreLanguages } from "../definition.ts";

/** App Store Connect help, "App Store localizations". */
export const appleLanguages: StoreLanguages = {
  all: [
    ...["ar-SA", "ca", "zh-Hans", "zh-Hant", "hr", "cs", "da", "nl-NL", "en-AU", "en-CA", "en-GB", "en-US", "fi"],
    ...["fr-FR", "fr-CA", "de-DE", "el", "he", "hi", "hu", "id", "it", "ja", "ko", "ms", "no", "pl", "pt-BR", "pt-PT"],
    ...["ro", "ru", "sk", "es-MX", "es-ES", "sv", "th", "tr", "uk", "vi"],
  ],
  usual: { en: "en-US", es: "es-ES", fr: "fr-FR", pt: "pt-PT" },
  source: 'App Store Connect help, "App Store localizations"',
  asOf: "2026-11-01",
};
