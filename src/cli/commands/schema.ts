import { jsonSchema, type SchemaName } from "../../core/workspace/json-schema.ts";

export async function run([name]: string[]): Promise<number> {
  process.stdout.write(jsonSchema(name as SchemaName));
  return 0;
}
