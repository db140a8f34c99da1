import { basename, resolve } from "node:path";
import { type Initiated, init } from "./init/init.ts";
import { operation } from "./running/operation.ts";

interface Input {
  folder: string;
  template: string;
  /** The agency's name; otherwise the folder's. */
  agency?: string | undefined;
  dryRun: boolean;
}

/** Surveys a shared app, and writes a workspace around it. */
export const initWorkspace = operation(async (input: Input, ports): Promise<Initiated & { folder: string }> => {
  const folder = resolve(ports.folder, input.folder);
  const { agency = basename(folder), dryRun } = input;
  const template = resolve(ports.folder, input.template);
  const year = Number(ports.today().slice(0, 4));
  return { ...init({ folder, template, agency, year, dryRun }), folder };
});
