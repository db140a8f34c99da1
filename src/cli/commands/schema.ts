import { succeed } from "../../core/problems/result.ts";
import { jsonSchema } from "../../core/workspace/json-schema.ts";
import type { Run } from "../command.ts";

export const run: Run<"schema"> = async ({ file }) => {
  process.stdout.write(jsonSchema(file));
  return succeed(0);
};
