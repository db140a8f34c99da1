import { setTimeout } from "node:timers/promises";
import { type Contents, putLacking } from "../../ground/contents/contents.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { fail, type Result, stop } from "../../ground/problems/result.ts";
import type { Ended, Queue, Ticket } from "../../ground/queue/queue.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { type Carried, readAnswer, type TicketData, takes } from "./ticket.ts";

/** Gives jobs to other machines. */
export interface HandingOut {
  contents: Contents;
  /**
   * Puts a job in and waits for what comes of it; undefined where it waits for a machine that is not there. Stops:
   * queue-version
   */
  carry(name: string, kind: string, order: string, says: Saying): Promise<Result<Carried> | undefined>;
  /** Names of the jobs that the queue has. */
  names(): Promise<ReadonlySet<string>>;
  /** Takes out one that waits, or that has ended. Whether it is out. */
  remove(ticket: Pick<Ticket, "name" | "kind">): Promise<boolean>;
  close(): Promise<void>;
}

/** What a ticket says besides its order. */
export type Saying = Omit<TicketData, "form" | "version" | "order">;

/** How often is looked what has ended, in milliseconds. */
const lookEvery = 50;

/** How long a machine may be away before a job is no longer waited for, in milliseconds; and how often is asked. */
const absence = { most: 20_000, askedEvery: 2_000 };

/** Opens a way to other machines. @param version of the program, as all of them have to have it */
export function openHandingOut(queue: Queue, contents: Contents, version: string): HandingOut {
  const waiting = new Map<
    string,
    { ticket: Ticket; seen: number; over(ended: Ended | undefined): void; failed(error: unknown): void }
  >();
  let isOpen = true;
  let looking: Promise<void> | undefined;

  /** Whether some machine takes a kind; where all that would have another version, that stops. */
  const isTaken = async (kind: string): Promise<boolean> => {
    const able = (await queue.machines()).filter((machine) => takes(machine, kind));
    if (able.length === 0) return false;
    if (able.some((machine) => machine.version === version)) return true;
    const theirs = able.map((machine) => `${machine.name} has ${machine.version}`).join(", ");
    return stop([problem("queue-version", `This is Oxalis ${version}; ${theirs}.`)]);
  };

  const look = async (): Promise<void> => {
    let asked = Date.now();
    while (isOpen && waiting.size > 0) {
      const ended = await queue.ended([...waiting.values()].map(({ ticket }) => ticket));
      for (const [name, outcome] of ended) {
        waiting.get(name)?.over(outcome);
        waiting.delete(name);
      }
      if (Date.now() - asked > absence.askedEvery) {
        asked = Date.now();
        const machines = await queue.machines();
        for (const [name, each] of waiting) {
          if (machines.some((machine) => machine.version === version && takes(machine, each.ticket.kind)))
            each.seen = asked;
          if (asked - each.seen < absence.most) continue;
          each.over(undefined);
          waiting.delete(name);
        }
      }
      await setTimeout(lookEvery);
    }
    looking = undefined;
  };

  return {
    contents,
    async carry(name, kind, order, says) {
      const isThere = await isTaken(kind);
      const sum = sha256(order);
      await putLacking(contents, new Map([[sum, () => Buffer.from(order)]]));
      const data: TicketData = { form: 1, version, ...says, order: sum };
      const ticket: Ticket = { name, kind, data };
      await queue.add(ticket);
      if (!isThere && !(await queue.ended([ticket])).has(name)) return undefined;
      const ended = await new Promise<Ended | undefined>((over, failed) => {
        waiting.set(name, { ticket, seen: Date.now(), over, failed });
        looking ??= look().catch((error) => {
          for (const each of waiting.values()) each.failed(error);
        });
      });
      if (ended === undefined) return undefined;
      return "why" in ended ? fail(setAside(name, ended.why, says.client)) : readAnswer(name, ended.result);
    },
    names: async () => new Set((await queue.list()).map(({ name }) => name)),
    remove: (ticket) => queue.remove(ticket),
    async close() {
      isOpen = false;
      await looking;
      await queue.close();
    },
  };
}

/** That machines have given a job up. */
const setAside = (name: string, why: string, client: string): Problem =>
  problem("queue-aside", `${name} was given up: ${why}`, { client });
