import { open, type RootDatabase } from "lmdb";
import { makeRoot } from "../files/writing/door.ts";
import { type Ended, type Listed, type Machine, mostAttempts, type Queue, type Taken } from "./queue.ts";

/** A ticket as it is kept. */
interface Kept extends Listed {
  /** Its place in the order of its kind. */
  order: number;
  /** Of who has it, and until when, in milliseconds since 1970. */
  token?: string;
  until?: number;
  result?: unknown;
}

/** Most that a queue holds, in bytes: what lies in it is small. */
const mapSize = 1024 ** 3;

/**
 * A queue in a folder, for the programs of one machine: an embedded database that several of them open at once, each
 * change a transaction. One that is killed leaves nothing half done. @param folder absolute @param lease in seconds
 * @param now in milliseconds since 1970
 */
export function folderQueue(folder: string, lease: number, now: () => number = Date.now): Queue {
  makeRoot(folder);
  const database: RootDatabase = open({ path: folder, mapSize, maxDbs: 4, compression: false });
  const tickets = database.openDB<Kept, string>({ name: "tickets", encoding: "json" });
  const waiting = database.openDB<string, [kind: string, order: number]>({ name: "waiting", encoding: "json" });
  const present = database.openDB<Machine & { until: number }, string>({ name: "machines", encoding: "json" });
  const counters = database.openDB<number, string>({ name: "counters", encoding: "json" });

  /** Outside of a transaction, what is read is as it was a while ago. */
  const within = <T>(work: () => T): T => database.transactionSync(work);
  const next = (): number => {
    const number = (counters.get("order") ?? 0) + 1;
    counters.putSync("order", number);
    return number;
  };
  const keep = (ticket: Kept) => tickets.putSync(ticket.name, ticket);
  const wait = (ticket: Kept) => {
    const { token: _, until: __, ...kept } = ticket;
    keep({ ...kept, state: "waits" });
    waiting.putSync([ticket.kind, ticket.order], ticket.name);
  };
  /** Lets it be tried anew, or sets it aside. */
  const release = (ticket: Kept, why: string) => {
    if (ticket.taken < mostAttempts) return wait(ticket);
    const { token: _, until: __, ...kept } = ticket;
    keep({ ...kept, state: "aside", why });
  };
  /** What nobody has kept holding is anybody's again. */
  const sweep = () => {
    for (const { value } of tickets.getRange())
      if (value.state === "runs" && (value.until ?? 0) <= now())
        release(value, `${value.machine ?? "a machine"} has not been heard of`);
  };
  /** The eldest of several kinds. */
  const eldest = (kinds: readonly string[]): Kept | undefined => {
    const found = kinds.flatMap((kind) => [
      ...waiting.getRange({ start: [kind, 0], end: [kind, Number.MAX_SAFE_INTEGER], limit: 1 }),
    ]);
    const [first] = found.sort((a, b) => a.key[1] - b.key[1]);
    return first && tickets.get(first.value);
  };
  /** Does something with a ticket as long as it is one's own. */
  const own = async (name: string, token: string, work: (ticket: Kept) => void): Promise<boolean> =>
    within(() => {
      const ticket = tickets.get(name);
      if (ticket?.state !== "runs" || ticket.token !== token || (ticket.until ?? 0) <= now()) return false;
      work(ticket);
      return true;
    });
  const leaseEnd = () => now() + lease * 1000;

  return {
    async add({ name, kind, data }) {
      within(() => {
        if (!tickets.get(name)) wait({ name, kind, data, state: "waits", since: now(), taken: 0, order: next() });
      });
    },
    async take({ name: machine }, kinds) {
      const token = `${machine} ${now()} ${Math.random()}`;
      const ticket = within(() => {
        sweep();
        const found = eldest(kinds);
        if (!found) return undefined;
        waiting.removeSync([found.kind, found.order]);
        const taken: Kept = { ...found, state: "runs", machine, token, until: leaseEnd(), taken: found.taken + 1 };
        keep(taken);
        return taken;
      });
      return ticket && takenOf(ticket, token);
    },
    async ended(wanted) {
      return within(() => {
        sweep();
        return new Map(wanted.flatMap(({ name }): [string, Ended][] => endedOf(tickets.get(name))));
      });
    },
    async list() {
      const all = within(() => {
        sweep();
        return [...tickets.getRange()].map(({ value }) => value).sort((a, b) => a.order - b.order);
      });
      return all.map(({ order: _, token: __, until: ___, result: ____, ...listed }) => listed);
    },
    remove: async ({ name }) =>
      within(() => {
        sweep();
        const ticket = tickets.get(name);
        if (ticket?.state === "runs") return false;
        if (ticket?.state === "waits") waiting.removeSync([ticket.kind, ticket.order]);
        tickets.removeSync(name);
        return true;
      }),
    again: async ({ name }) =>
      within(() => {
        const ticket = tickets.get(name);
        if (ticket?.state !== "aside") return false;
        const { why: _, machine: __, ...anew } = ticket;
        wait({ ...anew, taken: 0 });
        return true;
      }),
    async present(machine, seconds) {
      present.putSync(machine.name, { ...machine, until: now() + seconds * 1000 });
    },
    async machines() {
      const all = within(() => [...present.getRange()].map(({ value }) => value));
      return all.filter(({ until }) => until > now()).map(({ until: _, ...machine }) => machine);
    },
    close: () => database.close(),
  };

  function takenOf({ name, kind, data, taken }: Kept, token: string): Taken {
    return {
      ...{ name, kind, data, attempt: taken },
      keep: () => own(name, token, (ticket) => keep({ ...ticket, until: leaseEnd() })),
      end: (result) =>
        own(name, token, ({ token: _, until: __, ...ticket }) => keep({ ...ticket, state: "ended", result })),
      giveUp: (why) => own(name, token, (ticket) => release(ticket, why)),
      putBack: () => own(name, token, (ticket) => wait({ ...ticket, taken: ticket.taken - 1 })),
    };
  }
}

function endedOf(ticket: Kept | undefined): [string, Ended][] {
  if (ticket?.state === "ended") return [[ticket.name, { result: ticket.result }]];
  return ticket?.state === "aside" ? [[ticket.name, { why: ticket.why ?? "" }]] : [];
}
