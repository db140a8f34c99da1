import type { StoreLanguages } from "../definition.ts";

/** Play Console help, "Translate and localize your app". */
export const googlePlayLanguages: StoreLanguages = {
  all: [
    ...["af", "sq", "am", "ar", "hy-AM", "az-AZ", "bn-BD", "eu-ES", "be", "bg", "my-MM", "ca", "zh-HK", "zh-CN"],
    ...["zh-TW", "hr", "cs-CZ", "da-DK", "nl-NL", "en-IN", "en-SG", "en-ZA", "en-AU", "en-CA", "en-GB", "en-US"],
    ...["et", "fil", "fi-FI", "fr-CA", "fr-FR", "gl-ES", "ka-GE", "de-DE", "el-GR", "gu", "he-IL", "hi-IN", "hu-HU"],
    ...["is-IS", "id", "it-IT", "ja-JP", "kn-IN", "kk", "km-KH", "ko-KR", "ky-KG", "lo-LA", "lv", "lt", "mk-MK"],
    ...["ms", "ms-MY", "ml-IN", "mr-IN", "mn-MN", "ne-NP", "no-NO", "fa", "pl-PL", "pt-BR", "pt-PT", "pa", "ro", "rm"],
    ...["ru-RU", "sr", "si-LK", "sk", "sl", "es-419", "es-ES", "es-US", "sw", "sv-SE", "ta-IN", "te-IN", "th", "tr-TR"],
    ...["uk", "ur", "vi", "zu"],
  ],
  usual: { en: "en-US", es: "es-ES", fr: "fr-FR", pt: "pt-PT", zh: "zh-CN", "zh-Hant": "zh-TW" },
  source: 'Play Console help, "Translate and localize your app"',
  asOf: "2026-11-01",
};
