import * as z from "zod";
import { ledgerEntry } from "../../agency/history/ledger.ts";
import { agencySchema } from "../../agency/workspace/schema/agency.ts";
import { briefSchema } from "../../agency/workspace/schema/brief.ts";
import { templateSchema } from "../platforms/template-schema.ts";

const schemas = { brief: briefSchema, oxalis: agencySchema, template: templateSchema, ledger: ledgerEntry };

export type SchemaName = keyof typeof schemas;

/** The JSON Schema of a kind of file, as text, for editors. */
export const jsonSchema = (name: SchemaName): string =>
  `${JSON.stringify(z.toJSONSchema(schemas[name], { io: "input" }), null, 2)}\n`;
