/** A job as a queue carries it: plain data, small; what is large lies elsewhere, and is named by its sum. */
export interface Ticket {
  /** A queue has one of a name; letters, digits, points and dashes. */
  name: string;
  /** What a machine has to be able to do for it. */
  kind: string;
  /** JSON. */
  data: unknown;
}

/** It waits; some machine has it; it has ended; or as many machines as may try it have given it up. */
export type TicketState = "waits" | "runs" | "ended" | "aside";

/** A ticket, and what is known of it. */
export interface Listed extends Ticket {
  state: TicketState;
  /** When it was put in, in milliseconds since 1970. */
  since: number;
  /** How often it was taken. */
  taken: number;
  /** Who took it last. */
  machine?: string;
  /** Why it was set aside. */
  why?: string;
}

/** A ticket in the hands of a machine. Each of these answers whether it was still the machine's own. */
export interface Taken extends Ticket {
  /** 1 for who takes it first. */
  attempt: number;
  /** Holds it for another lease. */
  keep(): Promise<boolean>;
  end(result: unknown): Promise<boolean>;
  /** Lets another machine try, or sets it aside after the last attempt. */
  giveUp(why: string): Promise<boolean>;
  /** As if it had not been taken. */
  putBack(): Promise<boolean>;
}

/** A machine that takes tickets. */
export interface Machine {
  name: string;
  kinds: readonly string[];
  /** Of the program that it has. */
  version: string;
}

/** What became of a ticket. */
export type Ended = { result: unknown } | { why: string };

/** Jobs that wait for machines: each is one machine's at a time, for a lease, and nobody's work twice. */
export interface Queue {
  /** Puts one in; one of its name that is there stays. */
  add(ticket: Ticket): Promise<void>;
  /** The eldest of these kinds, for a lease; undefined where none waits. */
  take(machine: Machine, kinds: readonly string[]): Promise<Taken | undefined>;
  /** What became of those of these that are not under way any more. */
  ended(tickets: readonly Pick<Ticket, "name" | "kind">[]): Promise<ReadonlyMap<string, Ended>>;
  list(): Promise<readonly Listed[]>;
  /** Takes one out, unless a machine has it. Whether it is out now. */
  remove(ticket: Pick<Ticket, "name" | "kind">): Promise<boolean>;
  /** Lets one that was set aside be tried anew. Whether there was one. */
  again(ticket: Pick<Ticket, "name" | "kind">): Promise<boolean>;
  /** Says that a machine is there, for so many seconds; that it is no longer, where there are none. */
  present(machine: Machine, seconds: number): Promise<void>;
  machines(): Promise<readonly Machine[]>;
  close(): Promise<void>;
}

/** So often is a ticket taken before it is set aside. */
export const mostAttempts = 3;

/** How long a machine that says nothing keeps a ticket, in seconds. */
export const usualLease = 60;
