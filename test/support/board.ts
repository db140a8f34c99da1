import { oxalis } from "./oxalis.ts";

/** What `oxalis board --json` prints of a client, as far as tests look at it. */
export interface Board {
  client: string;
  asked: string | null;
  stores: {
    store: string;
    required: { done: number; total: number };
    lines: { field: string; state: string }[];
    captures: { count: number; isDone: boolean }[];
    problems: { code: string; message: string; who: string; severity: string }[];
    passed: { code: string }[];
  }[];
  problems: { code: string; message: string; severity: string; place?: { file: string; line: number } }[];
}

export const boardOf = (folder: string, ...args: string[]): Board[] =>
  JSON.parse(oxalis(folder, "board", "--json", ...args).out).clients;
