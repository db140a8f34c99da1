import { factRules } from "./facts.ts";
import { lengthRules } from "./lengths.ts";
import type { Rule } from "./rule.ts";
import { textRules } from "./texts.ts";

/** Every rule that a record is held against. */
export const rules: readonly Rule[] = [...lengthRules, ...textRules, ...factRules];
