import { refuse } from "../ground/problems/result.ts";
import { openQueue, placeOfQueue } from "../ground/queue/open.ts";
import type { Listed, Machine, Queue } from "../ground/queue/queue.ts";
import { programVersion, readTicket } from "../making/sharing/ticket.ts";
import { placeOf } from "./running/machines.ts";
import { operation } from "./running/operation.ts";
import { type At, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  /** Names of jobs that are to be tried anew, and of those that are to be taken out. */
  again: readonly string[];
  drop: readonly string[];
}

/** A job as a list shows it. */
export interface JobListed extends Omit<Listed, "data"> {
  client: string;
  says: string;
}

export interface QueueShown {
  /** Where the queue is, without a password. */
  queue: string;
  version: string;
  jobs: readonly JobListed[];
  machines: readonly Machine[];
}

/** What waits, runs, has ended or was given up, and on which machine. Stops: queue-unreachable, job-missing */
export const showQueue = operation(async (input: Input, ports): Promise<QueueShown> => {
  const { root, agency } = await openWorkspace(input, ports);
  const where = placeOf(agency.data.machines.queue, root, ports);
  const queue = await openQueue(where);
  try {
    await change(queue, input);
    const jobs = (await queue.list()).map(({ data, ...listed }): JobListed => {
      const ticket = readTicket({ name: listed.name, data });
      return { ...listed, client: ticket.ok ? ticket.value.client : "", says: ticket.ok ? ticket.value.says : "" };
    });
    return {
      queue: placeOfQueue(where),
      version: programVersion(ports.version),
      jobs,
      machines: await queue.machines(),
    };
  } finally {
    await queue.close();
  }
});

async function change(queue: Queue, { again, drop }: Input): Promise<void> {
  if (again.length + drop.length === 0) return;
  const all = await queue.list();
  const named = (name: string) =>
    all.find((each) => each.name === name) ?? refuse("job-missing", `The queue has no job ${name}.`);
  const [anew, out] = [again.map(named), drop.map(named)];
  for (const each of anew) if (!(await queue.again(each))) refuse("job-missing", `${each.name} was not set aside.`);
  for (const each of out)
    if (!(await queue.remove(each))) refuse("job-missing", `${each.name} is in the hands of ${each.machine}.`);
}
