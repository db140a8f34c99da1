export { flagOf } from "../src/cli/rows/row.ts";
export { rows } from "../src/cli/rows/table.ts";
// The tables of the program that docs/ shows.
export { carriers, termPlaces } from "../src/core/audit/identity/carriers.ts";
export { words } from "../src/core/derive/fields/words.ts";
export { problemKinds } from "../src/core/problems/catalogue.ts";
export { whoActs } from "../src/core/problems/who.ts";
export { answerForms, fileForms } from "../src/core/values/answer-forms.ts";
export { fieldNames, fields } from "../src/core/values/fields.ts";
export { missingKinds } from "../src/core/values/missing.ts";
export { codePlaces } from "../src/core/values/place-kinds.ts";
export { platformNames } from "../src/core/values/platform.ts";
