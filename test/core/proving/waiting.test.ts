import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import type { Letter } from "../../../src/core/agency/history/letters.ts";
import { type Problem, problem } from "../../../src/core/ground/problems/problem.ts";
import type { ClientStanding } from "../../../src/core/proving/standing/clients.ts";
import { keepFirstSeen, readFirstSeen, withSince } from "../../../src/core/proving/standing/waiting.ts";
import { temporaryFolder } from "../../support/oxalis.ts";

const missing = (field: string, count = 0): Problem =>
  problem("record-missing", `${field} is missing, ${count}.`, { about: ["store", field] });

const standing = (client: string, problems: Problem[], letters: Letter[]): ClientStanding => ({
  client,
  name: client,
  passages: [],
  due: [],
  stores: [],
  unshared: [],
  codesMissing: [],
  unassigned: [],
  problems,
  letters,
});

const letter = (on: string, ...things: string[]): Letter => ({ on, to: "", until: on, things, state: "sent" });

/** The days of a client's findings, as a board on a day tells and keeps them. */
function boardOn(root: string, today: string, client: string, problems: Problem[], letters: Letter[] = []) {
  const seen = readFirstSeen(root);
  const dated = withSince(standing(client, problems, letters), seen[client], today);
  keepFirstSeen(root, seen, [dated], ["hill", "dale"]);
  return dated.problems.map(({ since }) => since);
}

test("what is found waits since the day on which it was first seen, until it is gone", () => {
  const root = temporaryFolder();
  mkdirSync(join(root, ".oxalis"));
  const [first, second, third] = ["2026-11-02", "2026-11-09", "2026-11-16"];
  expect(boardOn(root, first, "hill", [missing("price")])).toEqual([first]);
  // Another number in its words makes it no other finding; a board of another client forgets nothing.
  expect(boardOn(root, second, "dale", [missing("price")])).toEqual([second]);
  expect(boardOn(root, second, "hill", [missing("price", 2), missing("support")])).toEqual([first, second]);
  expect(boardOn(root, second, "hill", [missing("support")])).toEqual([second]);
  expect(boardOn(root, third, "hill", [missing("price"), missing("support")])).toEqual([third, second]);
});

test("what was asked for waits since the first of the letters that have asked for it ever since", () => {
  const root = temporaryFolder();
  const letters = [
    letter("2026-10-01", "price"),
    letter("2026-10-08", "support"),
    letter("2026-10-15", "price", "support"),
    letter("2026-10-22", "price"),
  ];
  const found = [missing("price"), missing("support"), missing("kind")];
  expect(boardOn(root, "2026-11-02", "hill", found, letters)).toEqual(["2026-10-15", "2026-11-02", "2026-11-02"]);
});
