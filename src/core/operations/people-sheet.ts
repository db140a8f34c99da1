import { basename, dirname, resolve } from "node:path";
import { textOf } from "../agency/history/kept-file.ts";
import { readTesters, testersFile } from "../agency/workspace/testers.ts";
import { readSheet, sheetBytes } from "../clients/roster/sheet.ts";
import { withTesters } from "../clients/testers/file.ts";
import { testersIn, testersSheet } from "../clients/testers/sheet.ts";
import { readInside } from "../ground/files/reading/folder.ts";
import { lookAt } from "../ground/files/writing/door.ts";
import { replaceFile } from "../ground/files/writing/together.ts";
import type { Problem } from "../ground/problems/problem.ts";
import { operation } from "./running/operation.ts";
import { writeOutput } from "./running/output.ts";
import { type At, inWorkspace, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  file: string;
  dryRun: boolean;
}

/** What of a sheet was taken. */
export interface TestersTaken {
  isNew: readonly string[];
  known: readonly string[];
  problems: readonly Problem[];
}

/** Takes a sheet of testers in: new people are added, known ones brought up to date, by their addresses. */
export const importTesters = operation(async (input: Input, ports): Promise<TestersTaken> => {
  const path = resolve(ports.folder, input.file);
  const { sheet } = await readSheet(dirname(path), basename(path));
  const { testers, problems } = testersIn(sheet, basename(path));
  return inWorkspace(input, ports, { writes: !input.dryRun }, async ({ root }) => {
    const before = new Set((readTesters(root)?.testers ?? []).map(({ address }) => address.toLowerCase()));
    const isKnown = ({ address }: { address: string }) => before.has(address.toLowerCase());
    if (!input.dryRun && testers.length > 0) {
      const text = lookAt(root, testersFile)
        ? textOf(readInside(root, testersFile, testersFile), testersFile)
        : undefined;
      replaceFile(root, testersFile, withTesters(text, testers));
    }
    return {
      isNew: testers.filter((each) => !isKnown(each)).map(({ address }) => address),
      known: testers.filter(isKnown).map(({ address }) => address),
      problems,
    };
  });
});

/** Writes the testers as a sheet, CSV or XLSX: it can be imported again. */
export const exportTesters = operation(async (input: At & { file: string }, ports): Promise<{ file: string }> => {
  const { root } = await openWorkspace(input, ports);
  const sheet = testersSheet(readTesters(root)?.testers ?? []);
  const bytes = await sheetBytes(input.file, [{ name: "testers", sheet }]);
  return { file: writeOutput(root, ports, { named: input.file }, bytes) };
});
