import type { Folder } from "../../ground/files/reading/folder.ts";
import { problemOfFile } from "../../ground/problems/of-files.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { splicedContent } from "../../making/jobs/apply.ts";
import { difference, type FileChange } from "../../making/jobs/difference.ts";
import type { Receipt } from "../../making/jobs/receipt.ts";
import type { Entry, Input, Plan } from "../../making/plan/plan.ts";

/** Where disk, receipt and plan differ. @param hashes of the files that are there, by path. */
export function whole(plan: Plan, receipt: Receipt, hashes: ReadonlyMap<string, string>, at: string): Problem[] {
  return difference(plan, receipt, (path) => hashes.get(path)).map((change) =>
    asProblem(change, at, hashes.has(change.path)),
  );
}

/**
 * Files that are as the receipt has them, and not what they are made from: somebody has changed both. Pictures are left
 * to the eyes that look at them.
 */
export function forged(
  plan: Plan,
  receipt: Receipt,
  { hashes, template, at }: { hashes: ReadonlyMap<string, string>; template: Folder; at: string },
): Problem[] {
  return plan.entries.flatMap((entry) => {
    const { path } = entry;
    const found = hashes.get(path);
    const told = receipt.files[path];
    if (found === undefined || told?.sha256 !== found || told.fingerprint !== entry.fingerprint) return [];
    const due = dueOf(entry, template);
    if (due === undefined || due === found) return [];
    return [problemOfFile("output-changed", { file: path, shown: `${at}/${path}` }, "is not what it is made from.")];
  });
}

/** The sum of what a file has to be, where that needs nothing but the template. */
function dueOf(entry: Entry, template: Folder): string | undefined {
  if (entry.kind === "keep") return entry.input.sha256;
  if (entry.kind === "write") return sha256(entry.text);
  if (entry.kind !== "splice" || !template.has(entry.input.path)) return undefined;
  const inputs = {
    bytes: ({ path }: Input) => template.bytes(path),
    text: ({ path }: Input) => template.source(path).text,
  };
  return sha256(splicedContent(entry, inputs));
}

/** Programs of the template that nobody can start any more in a variant: builds stop at them. */
export function unrunnable(plan: Plan, variant: Folder, at: string): Problem[] {
  return plan.entries.flatMap((entry) => {
    const isProgram = (entry.kind === "keep" || entry.kind === "splice") && entry.executable;
    const { path } = entry;
    if (!isProgram || !variant.has(path) || variant.executable(path)) return [];
    const fix = "Delete it and run `oxalis generate`: it is made anew as a program.";
    return [problemOfFile("output-changed", { file: path, shown: `${at}/${path}` }, "can no longer be run.", { fix })];
  });
}

function asProblem({ what, path }: FileChange, at: string, there: boolean): Problem {
  const file = { file: path, shown: `${at}/${path}` };
  switch (what) {
    case "create":
      return problemOfFile("out-of-date", file, "is planned and has not been made.");
    case "press":
    case "change":
      return problemOfFile("out-of-date", file, "was made from other inputs than there are now.");
    case "remove":
      return problemOfFile("out-of-date", file, "is no longer planned.");
    case "abandon":
      return problemOfFile("output-stray", file, "is no longer planned, and was changed by hand.");
    case "restore":
      return there
        ? problemOfFile("output-changed", file, "is not as it was made.")
        : problemOfFile("output-missing", file, "is missing.");
  }
}

/** Files that neither the plan nor the receipt knows. */
export function strays(plan: Plan, receipt: Receipt, files: readonly string[], at: string): Problem[] {
  const known = new Set([...plan.entries.map((entry) => entry.path), ...Object.keys(receipt.files)]);
  return files
    .filter((file) => !known.has(file))
    .map((file) => problemOfFile("output-stray", { file, shown: `${at}/${file}` }, "was not made by Oxalis."));
}

/** Folders that hold nothing: nobody makes one, and a build may take it for a place of something. */
export const hollow = (variant: Folder, at: string): Problem[] =>
  variant
    .empty()
    .map((file) =>
      problemOfFile("output-stray", { file, shown: `${at}/${file}` }, "is an empty folder that Oxalis did not make."),
    );
