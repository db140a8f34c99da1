export { flagOf } from "../src/cli/rows/row.ts";
export { rows } from "../src/cli/rows/table.ts";
export { missingKinds } from "../src/core/app/platforms/all.ts";
export { words } from "../src/core/clients/derive/fields/words.ts";
export { keyRoleFacts } from "../src/core/clients/keys/roles.ts";
export { problemKinds } from "../src/core/ground/problems/catalogue.ts";
export { whoActs } from "../src/core/ground/problems/who.ts";
export { answerForms, fileForms } from "../src/core/ground/values/answer-forms.ts";
export { fieldNames, fields } from "../src/core/ground/values/fields.ts";
export { platformNames } from "../src/core/ground/values/platform.ts";
// The tables of the program that docs/ shows.
export { carriers } from "../src/core/proving/audit/identity/carriers.ts";
export { termPlaces } from "../src/core/proving/audit/identity/kinds.ts";
export { codePlaces } from "../src/core/proving/audit/place-kinds.ts";
export { questions, stores } from "../src/core/stores/all.ts";
export { dataKinds, dataMarks, purposes } from "../src/core/stores/data-kinds.ts";
