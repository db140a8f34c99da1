import { join, resolve } from "node:path";
import { setImmediate, setTimeout } from "node:timers/promises";
import { trimContents } from "../ground/contents/folder.ts";
import { openNearby } from "../ground/contents/open.ts";
import { makeRoot } from "../ground/files/writing/door.ts";
import { problem } from "../ground/problems/problem.ts";
import { attemptAsync, orStopAsync, refuse, stop } from "../ground/problems/result.ts";
import { openQueue } from "../ground/queue/open.ts";
import type { Machine, Queue, Taken } from "../ground/queue/queue.ts";
import { thisSystem } from "../ground/systems/system.ts";
import { type Platform, platforms } from "../ground/values/platform.ts";
import { reveal } from "../ground/values/secret.ts";
import type { OpenVault } from "../ground/vault/open.ts";
import { openVault, vaultAt } from "../ground/vault/vault.ts";
import { drawingLimit } from "../making/jobs/carry-out.ts";
import { carryTicket, type Hands, whyOf } from "../making/sharing/carrying.ts";
import { answerOf, kindsTaken, programVersion, readTicket } from "../making/sharing/ticket.ts";
import { folderFrom, placeOf, type Shared, tokenOf } from "./running/machines.ts";
import { operation } from "./running/operation.ts";
import type { Ports } from "./running/ports.ts";
import { openSigning } from "./running/signing.ts";
import { type At, holding, openWorkspace } from "./running/workspace.ts";

interface Input extends At {
  /** Where jobs wait and what they are made from; what oxalis.yaml of a workspace says where one is absent. */
  queue?: string | undefined;
  contents?: string | undefined;
  token?: string | undefined;
  /** Platforms that it builds, with commas between; all where absent. */
  platforms?: string | undefined;
  /** It draws nothing. */
  onlyBuilds: boolean;
  /** What it is called; what the machine is called where absent. */
  name?: string | undefined;
  /** Its own folder. */
  folder: string;
  /** How long it keeps a job without a word, in seconds. */
  lease: string;
  /** It ends where nothing waits. */
  once: boolean;
}

export interface Worked {
  machine: string;
  ended: number;
  givenUp: number;
  /** Carried out, but another machine had it by then. */
  late: number;
}

/** How often is asked for work where there is none, in milliseconds. */
const askEvery = 100;

/** How often a machine says that it is there, and how long that holds, in seconds. */
const presence = { every: 3, holds: 15 };

/** Most that a machine keeps nearby of what jobs are made from, in bytes. */
const mostNearby = 8 * 1024 ** 3;

/** Takes jobs and carries them out, one at a time, until somebody ends it. Stops: queue-…, contents-…, vault-… */
export const workForOthers = operation(async (input: Input, ports): Promise<Worked> => {
  const lease = secondsOf(input.lease);
  const own = platformsOf(input.platforms);
  const { shared, from } = await sharedOf(input, ports);
  const name = input.name ?? ports.machine();
  if (!/^[\w.-]{1,60}$/.test(name))
    refuse("value-invalid", `"${name}" is no name of a machine.`, { expected: "letters, digits, points and dashes" });
  const root = folderFrom(ports.folder, join(input.folder, name));
  makeRoot(root);
  return holding(root, async () => {
    const vault = await vaultHere(ports);
    const { contents, near } = openNearby(placeOf(shared.contents, from, ports), tokenOf(shared.token, ports), root);
    const version = programVersion(ports.version);
    const hasKeys = vault !== undefined || ports.variables().some((each) => /^SIGNING_.*STORE$/.test(each));
    const system = thisSystem();
    const kinds = kindsTaken({ platforms: own, system, hasKeys, draws: !input.onlyBuilds });
    const queue = await openQueue(placeOf(shared.queue, from, ports), lease);
    const hands: Hands = {
      ...{ root, contents, near, machine: name, drawing: drawingLimit() },
      openSigning: ({ client, signing }) => openSigning(client, signing, async () => vault ?? noVault(), ports),
      means: { run: ports.run, machine: ports.variable, secret: ports.secret, onLine: () => {} },
    };
    try {
      return await workOn(queue, { name, kinds, version }, hands, { lease, once: input.once, ports });
    } finally {
      await queue.close();
      if (near === root) trimContents(root, mostNearby);
    }
  });
});

async function workOn(
  queue: Queue,
  machine: Machine,
  hands: Hands,
  { lease, once, ports }: { lease: number; once: boolean; ports: Ports },
): Promise<Worked> {
  const worked: Worked = { machine: machine.name, ended: 0, givenUp: 0, late: 0 };
  const here = () => void queue.present(machine, presence.holds).catch(() => {});
  await queue.present(machine, presence.holds);
  const timer = setInterval(here, presence.every * 1000);
  ports.on({ what: "present", machine: machine.name, version: machine.version });
  try {
    while (!ports.isToEnd()) {
      const taken = await queue.take(machine, machine.kinds);
      if (taken) {
        const how = await carry(taken, machine, hands, { lease, ports });
        worked[how === "ended" ? "ended" : how === "late" ? "late" : "givenUp"]++;
        // Between small jobs nothing is waited for: whoever asks has to hear all the same that it is there.
        await setImmediate();
      } else if (once) break;
      else await setTimeout(askEvery);
    }
  } finally {
    clearInterval(timer);
    await queue.present(machine, 0);
  }
  return worked;
}

/** Carries one job out, and holds it meanwhile. Stops: queue-version, where another program has put it in */
async function carry(
  taken: Taken,
  { version }: Machine,
  hands: Hands,
  { lease, ports }: { lease: number; ports: Ports },
): Promise<"ended" | "given-up" | "late"> {
  const { name, attempt } = taken;
  const ticket = readTicket(taken);
  if (ticket.ok && ticket.value.version !== version) {
    await taken.putBack();
    const message = `${name} was put in by Oxalis ${ticket.value.version}; this is ${version}.`;
    return stop([problem("queue-version", message)]);
  }
  ports.on({ what: "took", job: name, says: ticket.ok ? `${ticket.value.client}: ${ticket.value.says}` : "", attempt });
  const started = performance.now();
  const keeping = setInterval(() => void taken.keep().catch(() => {}), (lease * 1000) / 3);
  const done = ticket.ok
    ? await attemptAsync(() => orStopAsync(() => carryTicket(ticket.value, hands), unable))
    : ticket;
  clearInterval(keeping);
  const isOwn = done.ok ? await taken.end(answerOf(done.value)) : await taken.giveUp(whyOf(done.problems));
  const how = isOwn ? (done.ok ? "ended" : "given-up") : "late";
  const why = done.ok ? {} : { why: whyOf(done.problems) };
  ports.on({ what: "carried", job: name, how, seconds: Math.round(performance.now() - started) / 1000, ...why });
  return how;
}

/** What the system of this machine says no to; another may have room. */
const unable = ({ message }: Error) => problem("write-failed", `${message}.`);

/** What machines share: as it was given, or as the workspace says. */
async function sharedOf(input: Input, ports: Ports): Promise<{ shared: Shared; from: string }> {
  const { queue, contents, token } = input;
  if (queue !== undefined && contents !== undefined) return { shared: { queue, contents, token }, from: ports.folder };
  const { root, agency } = await openWorkspace(input, ports);
  const own = agency.data.machines;
  // What is given is meant from where somebody stands.
  const given = (where: string | undefined) =>
    where?.match(/^env:|:\/\//) ? where : where && resolve(ports.folder, where);
  const shared = {
    queue: given(queue) ?? own.queue,
    contents: given(contents) ?? own.contents,
    token: token ?? own.token,
  };
  return { shared, from: root };
}

/** The vault that this machine has, by its own variable; opened once. */
async function vaultHere(ports: Ports): Promise<OpenVault | undefined> {
  const named = ports.secret("OXALIS_VAULT");
  if (!named) return undefined;
  const folder = resolve(ports.folder, reveal(named));
  const vault = vaultAt(folder) ?? refuse("vault-missing", `There is no vault in ${folder}.`);
  return openVault(vault, await ports.passPhrase("of the vault"));
}

const noVault = () =>
  refuse("vault-missing", "This machine has no vault to sign from.", {
    fix: "Let OXALIS_VAULT name one: `oxalis keys restore` brings one here from an archive.",
  });

function secondsOf(text: string): number {
  const seconds = Number(text);
  if (Number.isFinite(seconds) && seconds >= 1 && seconds <= 3600) return seconds;
  return refuse("value-invalid", `"${text}" is no lease.`, { expected: "seconds, from 1 to 3600" });
}

function platformsOf(text: string | undefined): Platform[] {
  const named = text === undefined ? [] : text.split(",").map((each) => each.trim());
  return named.map(
    (each) =>
      platforms.find((platform) => platform === each) ??
      refuse("value-invalid", `"${each}" is no platform.`, { expected: `some of ${platforms.join(", ")}` }),
  );
}
