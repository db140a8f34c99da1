import { german } from "./de.ts";
import { english, type Word } from "./en.ts";
import { spanish } from "./es.ts";
import { french } from "./fr.ts";
import { type Saying, speaking } from "./speak.ts";

/** Says a page's words in one language. */
export type Say = Saying<Word>;

export const sayIn = speaking<Word>({ en: english, de: german, fr: french, es: spanish });
