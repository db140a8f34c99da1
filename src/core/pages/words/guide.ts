import { german } from "./de/guide.ts";
import { english, type Word } from "./en/guide.ts";
import { spanish } from "./es/guide.ts";
import { french } from "./fr/guide.ts";
import { type Saying, speaking } from "./speak.ts";

/** Says the words of the designer's page in one language. */
export type Say = Saying<Word>;

export const sayIn = speaking<Word>({ en: english, de: german, fr: french, es: spanish });
