import { german } from "./de/page.ts";
import { english, type Word } from "./en/page.ts";
import { spanish } from "./es/page.ts";
import { french } from "./fr/page.ts";
import { type Saying, speaking } from "./speak.ts";

/** Says a page's words in one language. */
export type Say = Saying<Word>;

export const sayIn = speaking<Word>({ en: english, de: german, fr: french, es: spanish });
