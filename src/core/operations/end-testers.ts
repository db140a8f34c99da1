import { textOf } from "../agency/history/kept-file.ts";
import { tryingOf } from "../agency/history/trying.ts";
import { readTesters, testersFile } from "../agency/workspace/testers.ts";
import { withoutTester, withTesters } from "../clients/testers/file.ts";
import { markOf } from "../clients/testers/who.ts";
import { readInside } from "../ground/files/reading/folder.ts";
import { type Change, writeTogether } from "../ground/files/writing/together.ts";
import { expectedAmong } from "../ground/problems/nearest.ts";
import { refuse } from "../ground/problems/result.ts";
import { operation } from "./running/operation.ts";
import { type At, inWorkspace } from "./running/workspace.ts";

interface Input extends At {
  address: string;
  /** Nothing of them stays; otherwise they try nothing from today on, and are kept. */
  erase: boolean;
}

/** What was done with somebody. */
export interface TesterEnded {
  address: string;
  erased: boolean;
  /** Clients whose apps they tried: stores have them still, until the next `oxalis submit`. */
  clients: readonly string[];
}

/** Ends that somebody tries apps, or takes everything of them out. */
export const endTester = operation(
  (input: Input, ports): Promise<TesterEnded> =>
    inWorkspace(input, ports, { writes: true }, async ({ root, clients, retired }) => {
      const testers = readTesters(root);
      const own = testers?.testers.find(({ address }) => address.toLowerCase() === input.address.toLowerCase());
      if (!testers || !own)
        return refuse("tester-unknown", `Nobody among the testers has the address ${input.address}.`, {
          expected: expectedAmong(
            input.address,
            testers?.testers.map(({ address }) => address) ?? [],
            "an address of testers.yaml",
          ),
        });
      const text = textOf(readInside(root, testersFile, testersFile), testersFile);
      const tried = [...clients, ...retired].flatMap(({ key }) => {
        const all = tryingOf.read(root, key) ?? {};
        const { [markOf(key, own.address)]: known, ...others } = all;
        return known ? [{ key, others }] : [];
      });
      const changes: Change[] = input.erase
        ? [
            [testersFile, withoutTester(text, own.address)],
            ...tried.flatMap(({ key, others }) => tryingOf.changes(root, key, others)),
          ]
        : [[testersFile, withTesters(text, [{ ...own, ended: ports.today() }])]];
      writeTogether(root, changes);
      return { address: own.address, erased: input.erase, clients: tried.map(({ key }) => key) };
    }),
);
