import { type Saying, speaking } from "../../page/words/speak.ts";
import { german } from "./de.ts";
import { english, type Word } from "./en.ts";
import { spanish } from "./es.ts";
import { french } from "./fr.ts";

/** Says the words of a letter in one language. */
export type Say = Saying<Word>;

export const sayIn = speaking<Word>({ en: english, de: german, fr: french, es: spanish });

/** Whether there is a word for what is asked. */
export const isWord = (name: string): name is Word => Object.hasOwn(english, name);
