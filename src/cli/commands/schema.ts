import { jsonSchema } from "../../core/app/survey/json-schema.ts";
import { succeed } from "../../core/ground/problems/result.ts";
import type { Run } from "../command.ts";

export const run: Run<"schema"> = async ({ file }) => {
  process.stdout.write(jsonSchema(file));
  return succeed(0);
};
