import { type Saying, speaking } from "../../page/words/speak.ts";
import { german } from "./de.ts";
import { english, type Word } from "./en.ts";
import { spanish } from "./es.ts";
import { french } from "./fr.ts";

/** Says the words of the designer's page in one language. */
export type Say = Saying<Word>;

export const sayIn = speaking<Word>({ en: english, de: german, fr: french, es: spanish });
