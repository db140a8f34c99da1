import { type Job, Queue as ServerQueue, Worker } from "bullmq";
import { Redis } from "ioredis";
import { type Ended, type Listed, type Machine, mostAttempts, type Queue, type Taken, type Ticket } from "./queue.ts";

/** What all that lies on the server is called by. */
const prefix = "oxalis";

/** How long what has ended is kept for whoever put it in, in seconds. */
const keptFor = 7 * 24 * 3600;

/** Where BullMQ has jobs, and what that is here. */
const states = [
  ["waiting", "waits"],
  ["delayed", "waits"],
  ["active", "runs"],
  ["completed", "ended"],
  ["failed", "aside"],
] as const;

type Data = { data: unknown };

/**
 * A queue on a Redis server, by BullMQ: for any number of machines. A server that is away for a while is waited for.
 * @param address redis:// or rediss:// @param lease in seconds
 */
export function serverQueue(address: string, lease: number): Queue {
  const connect = () => {
    const connection = new Redis(address, { maxRetriesPerRequest: null, enableAutoPipelining: true });
    connection.on("error", () => {}); // it connects again
    return connection;
  };
  const connection = connect();
  const queues = new Map<string, ServerQueue<Data>>();
  const workers = new Map<string, Worker<Data>>();
  /** BullMQ marks, at one look, the jobs that nobody has kept holding, and lets go of them at the next. */
  const looksEvery = Math.max(500, (lease * 1000) / 2);

  const queueOf = (kind: string): ServerQueue<Data> => {
    const known = queues.get(kind) ?? new ServerQueue<Data>(kind, { connection, prefix });
    queues.set(kind, known);
    return known;
  };
  const workerOf = async (kind: string, name: string): Promise<Worker<Data>> => {
    const known = workers.get(kind);
    if (known) return known;
    const worker = new Worker<Data>(kind, null, {
      ...{ connection, prefix, name, autorun: false },
      ...{ lockDuration: lease * 1000, stalledInterval: looksEvery, maxStalledCount: mostAttempts - 1 },
    });
    worker.on("error", () => {});
    workers.set(kind, worker);
    await worker.startStalledCheckTimer();
    return worker;
  };
  const kinds = (): Promise<string[]> => connection.smembers(`${prefix}:kinds`);
  const jobOf = ({ name, kind }: Pick<Ticket, "name" | "kind">) => queueOf(kind).getJob(name);

  return {
    async add({ name, kind, data }) {
      await connection.sadd(`${prefix}:kinds`, kind);
      await queueOf(kind).add(
        kind,
        { data },
        { jobId: name, attempts: mostAttempts, removeOnComplete: { age: keptFor }, removeOnFail: { age: keptFor } },
      );
    },
    async take({ name: machine }, wanted) {
      // Asked all at once: each answer takes the way to the server and back.
      const known = new Set(await kinds());
      const waiting = await Promise.all(
        wanted
          .filter((kind) => known.has(kind))
          .map(async (kind) => {
            await workerOf(kind, machine);
            const [eldest] = await queueOf(kind).getJobs(["waiting"], 0, 0, true);
            return eldest ? [{ kind, since: eldest.timestamp }] : [];
          }),
      );
      for (const { kind } of waiting.flat().sort((a, b) => a.since - b.since)) {
        const token = `${machine} ${Date.now()} ${Math.random()}`;
        const job = await (await workerOf(kind, machine)).getNextJob(token, { block: false });
        if (job) return takenOf(job, kind, token);
      }
      return undefined;
    },
    async ended(wanted) {
      const found = await Promise.all(wanted.map(async (ticket) => endedOf(ticket.name, await jobOf(ticket))));
      return new Map(found.flat());
    },
    async list() {
      const all = (await kinds()).flatMap((kind) => states.map((state) => [kind, ...state] as const));
      const found = await Promise.all(
        all.map(async ([kind, theirs, state]) =>
          (await queueOf(kind).getJobs([theirs])).map((job) => listedOf(job, kind, state)),
        ),
      );
      return found.flat().sort((a, b) => a.since - b.since);
    },
    async remove(ticket) {
      const job = await jobOf(ticket);
      if (!job) return true;
      try {
        await job.remove();
        return true;
      } catch {
        return false; // a machine has it
      }
    },
    async again(ticket) {
      const job = await jobOf(ticket);
      if (!(await job?.isFailed())) return false;
      await job?.remove();
      await this.add({ ...ticket, data: job?.data.data });
      return true;
    },
    async present(machine, seconds) {
      const key = `${prefix}:machine:${machine.name}`;
      if (seconds > 0) await connection.set(key, JSON.stringify(machine), "EX", Math.ceil(seconds));
      else await connection.del(key);
    },
    async machines() {
      const names = await connection.keys(`${prefix}:machine:*`);
      const texts = await Promise.all(names.map((name) => connection.get(name)));
      return texts.flatMap((text) => (text ? [JSON.parse(text) as Machine] : []));
    },
    async close() {
      await Promise.all([...workers.values()].map((worker) => worker.close(true)));
      await Promise.all([...queues.values()].map((queue) => queue.close()));
      connection.disconnect();
    },
  };

  function takenOf(job: Job<Data>, kind: string, token: string): Taken {
    return {
      ...{ name: job.id ?? "", kind, data: job.data.data, attempt: job.attemptsStarted },
      keep: async () => (await job.extendLock(token, lease * 1000)) === 1,
      end: (result) => isTaken(job.moveToCompleted(result, token, false)),
      giveUp: (why) => isTaken(job.moveToFailed(new Error(why), token, false)),
      putBack: () => isTaken(job.moveToWait(token)),
    };
  }
}

/** Whether the server has taken what is said of a job: it refuses who has lost it. */
const isTaken = (said: Promise<unknown>): Promise<boolean> =>
  said.then(
    () => true,
    () => false,
  );

const listedOf = (job: Job<Data>, kind: string, state: Listed["state"]): Listed => ({
  ...{ name: job.id ?? "", kind, data: job.data.data, state, since: job.timestamp, taken: job.attemptsStarted },
  ...(job.processedBy ? { machine: job.processedBy } : {}),
  ...(state === "aside" ? { why: job.failedReason } : {}),
});

async function endedOf(name: string, job: Job<Data> | undefined): Promise<[string, Ended][]> {
  if (!job) return [];
  if (job.finishedOn === undefined) return [];
  if (job.failedReason && !job.returnvalue) return [[name, { why: job.failedReason }]];
  return [[name, { result: job.returnvalue }]];
}

/** How long a server is waited for at first, in milliseconds. */
const patience = 5_000;

/** What is wrong with a server; undefined where it answers. */
export async function reachable(address: string): Promise<string | undefined> {
  const connection = new Redis(address, {
    ...{ lazyConnect: true, connectTimeout: patience, commandTimeout: patience },
    retryStrategy: () => null,
  });
  let why = "";
  connection.on("error", ({ message }) => {
    why = message;
  });
  try {
    await connection.connect();
    await connection.ping();
    return undefined;
  } catch (error) {
    return why || (error as Error).message;
  } finally {
    connection.disconnect();
  }
}
