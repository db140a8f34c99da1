import { closeSync, fsyncSync, openSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { basename, dirname } from "node:path/posix";
import { type Problem, problem } from "../../problems/problem.ts";
import { refuse, stop, stopAt } from "../../problems/result.ts";
import { sha256 } from "../../values/hash.ts";
import { assertHeld } from "../holding/lock.ts";
import {
  copyTo,
  leadsDown,
  lookAt,
  makeFolder,
  move,
  namesIn,
  pruneAbove,
  put,
  putSoon,
  removeTree,
  through,
} from "./door.ts";
import { scratchName } from "./scratch.ts";

/**
 * Changes of several files that belong together. All of them are prepared beside; one rename decides that they are
 * made; then each is moved into its place, and what was there is kept until all are. A run that dies before the
 * rename has changed nothing; after it, whichever command comes next brings it to its end, or, where that cannot be,
 * back to its beginning.
 */
export interface Transaction {
  /** Prepares what a file will hold. */
  put(path: string, content: string | Uint8Array, mode?: number): void;
  putSoon(path: string, content: string | Uint8Array, mode?: number): Promise<void>;
  copy(path: string, from: string, mode: number): void;
  /** Prepares that a file will be no more. */
  remove(path: string): void;
  /** Decides, and makes all changes. Stops: write-failed where they could not be made, and none is. */
  commit(): void;
  /** Throws away what was prepared. */
  abandon(): void;
}

/** Where decided changes lie until all of them are made; relative to the workspace. */
const openFolder = ".oxalis/open";

const listFile = "list.json";
const backFile = "back";

/** One change: where it goes; whether there will be a file. Numbered by its place in the list. */
interface Move {
  path: string;
  gone?: true;
}

interface List {
  form: 1;
  steps: Move[];
  /** SHA-256 of the steps: a list that is not as it was written is not followed. */
  sum: string;
}

/**
 * @param options.keeps a folder that stays, though all in it may go. @param options.durable survives the loss of
 * power.
 */
export function openTransaction(root: string, options: { keeps?: string; durable?: boolean } = {}): Transaction {
  const own = scratchName();
  const steps: Move[] = [];
  const next = (step: Move): string => {
    if (!leadsDown(step.path)) refuse("path-outside", `"${step.path}" does not lead into the workspace.`);
    steps.push(step);
    return `${own}/new/${steps.length - 1}`;
  };
  return {
    put: (path, content, mode) => put(root, next({ path }), content, mode),
    putSoon: (path, content, mode) => putSoon(root, next({ path }), content, mode),
    copy: (path, from, mode) => copyTo(through(root, next({ path }), true), from, mode),
    remove: (path) => void next({ path, gone: true }),
    commit() {
      if (steps.length === 0) return removeTree(root, own);
      const list: List = { form: 1, steps, sum: sha256(JSON.stringify(steps)) };
      makeFolder(root, `${own}/new`);
      makeFolder(root, `${own}/old`);
      put(root, `${own}/${listFile}`, JSON.stringify(list));
      if (options.durable === true)
        for (const file of [...steps.flatMap((step, at) => (step.gone ? [] : [`new/${at}`])), listFile])
          settleOnDisk(join(root, own, file));
      assertHeld(root);
      const decided = `${openFolder}/${basename(own)}`;
      makeFolder(root, openFolder);
      move(root, own, decided);
      stopAt(carryOut(root, decided, steps, options.keeps));
    },
    abandon: () => removeTree(root, own),
  };
}

function settleOnDisk(path: string): void {
  const descriptor = openSync(path, "r");
  try {
    fsyncSync(descriptor);
  } finally {
    closeSync(descriptor);
  }
}

/** Makes decided changes; where one cannot be made, takes back those that were, and says what went wrong. */
function carryOut(root: string, folder: string, steps: readonly Move[], keeps?: string): Problem[] {
  try {
    if (lookAt(root, `${folder}/${backFile}`)) back(root, folder, steps);
    else forward(root, folder, steps, keeps);
  } catch (error) {
    const reason = (error as Error).message.replace(/\.$/, "");
    const paths = steps.map(({ path }) => path);
    const files = `${paths.slice(0, 3).join(", ")}${paths.length > 3 ? ` and ${paths.length - 3} more` : ""}`;
    try {
      if (!lookAt(root, `${folder}/${backFile}`)) put(root, `${folder}/${backFile}`, "");
      back(root, folder, steps);
    } catch (worse) {
      return [
        problem(
          "change-open",
          `${files}: some are changed and some are not: ${(worse as Error).message.replace(/\.$/, "")}.`,
        ),
      ];
    }
    drop(root, folder);
    return [problem("write-failed", `${files} could not be written, and none of them was: ${reason}.`)];
  }
  drop(root, folder);
  return [];
}

function forward(root: string, folder: string, steps: readonly Move[], keeps?: string): void {
  for (const [at, { path, gone }] of steps.entries())
    if (gone && lookAt(root, path)?.isDirectory() !== true) {
      setAside(root, folder, at, path);
      if (keeps !== undefined) pruneAbove(root, path, keeps);
    }
  for (const [at, { path, gone }] of steps.entries()) {
    if (gone || !lookAt(root, `${folder}/new/${at}`)) continue;
    setAside(root, folder, at, path);
    move(root, `${folder}/new/${at}`, path);
  }
}

function setAside(root: string, folder: string, at: number, path: string): void {
  const there = lookAt(root, path);
  if (there?.isDirectory()) throw new Error(`${path} is a folder, and what is in it is nobody's here`);
  if (there && !lookAt(root, `${folder}/old/${at}`)) move(root, path, `${folder}/old/${at}`);
}

function back(root: string, folder: string, steps: readonly Move[]): void {
  for (const [at, { path, gone }] of [...steps.entries()].reverse()) {
    if (!gone && !lookAt(root, `${folder}/new/${at}`) && lookAt(root, path)) move(root, path, `${folder}/new/${at}`);
    if (lookAt(root, `${folder}/old/${at}`)) move(root, `${folder}/old/${at}`, path);
  }
}

/** Moved away as a whole first: what is removed by halves is not taken for something that is open. */
function drop(root: string, folder: string): void {
  const away = scratchName();
  makeFolder(root, dirname(away));
  move(root, folder, away);
  removeTree(root, away);
}

/** Whether a run has died between deciding changes and having made all of them. */
export const hasOpen = (root: string): boolean => namesIn(root, openFolder).length > 0;

/** Brings what a dead run had decided to its end, or back to its beginning. Stops: change-open where neither can be. */
export function settleOpen(root: string): void {
  for (const name of namesIn(root, openFolder)) {
    const folder = `${openFolder}/${name}`;
    const problems = carryOut(root, folder, stepsOf(root, folder));
    if (problems.some(({ code }) => code === "change-open")) stop(problems);
  }
}

/** What a list says; whoever wrote it, it leads nowhere outside. */
function stepsOf(root: string, folder: string): Move[] {
  const damaged = (why: string) =>
    refuse("change-open", `${folder} is not as a run left it: ${why}; what it was to change is not known.`);
  let list: List;
  try {
    if (!lookAt(root, `${folder}/${listFile}`)?.isFile()) throw new Error("it has no list");
    list = JSON.parse(readFileSync(join(root, folder, listFile), "utf8")) as List;
  } catch (error) {
    return damaged((error as Error).message);
  }
  if (list.form !== 1 || !Array.isArray(list.steps) || list.sum !== sha256(JSON.stringify(list.steps)))
    return damaged("its list has another sum");
  if (list.steps.some(({ path }) => typeof path !== "string" || !leadsDown(path)))
    return damaged("its list leads out of the workspace");
  return list.steps;
}
