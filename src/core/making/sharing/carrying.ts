import type { LimitFunction } from "p-limit";
import { type Contents, putLacking } from "../../ground/contents/contents.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { removeTree } from "../../ground/files/writing/door.ts";
import type { Problem } from "../../ground/problems/problem.ts";
import { refuse, unwrap } from "../../ground/problems/result.ts";
import { attempted } from "../../ground/values/attempted.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { largestPackage } from "../../ground/values/package.ts";
import { type BuildOrder, inputsOfOrder, readOrder } from "../building/order.ts";
import { type BuildMeans, builtIn, type OpenedSigning, performBuild } from "../building/perform.ts";
import { noCache } from "../jobs/cache.ts";
import { carryOut, planJob } from "../jobs/carry-out.ts";
import { fetchInputs, inputsOf, storedInputs } from "../jobs/inputs.ts";
import type { To } from "../jobs/to.ts";
import { readPlan } from "../plan/file.ts";
import type { Carried, TicketData } from "./ticket.ts";

/** What a machine carries jobs out with. */
export interface Hands {
  /** A folder of its own, absolute, which is held. */
  root: string;
  /** What jobs are made from; whatever was asked for lies in `near` from then on. */
  contents: Contents;
  /** The folder of contents nearby, absolute. */
  near: string;
  machine: string;
  drawing: LimitFunction;
  /** Opens what a build is signed with, from a vault of this machine's own. */
  openSigning(order: BuildOrder): Promise<OpenedSigning>;
  means: BuildMeans;
}

/** Where a job is carried out, relative to a machine's own folder. */
const work = "work";

/**
 * Carries out what a ticket says, and gives what came of it to contents. What goes wrong with the job itself is part of
 * the answer; what keeps this machine from it (no inputs, no room) stops. Stops: job-invalid, contents-…
 */
export async function carryTicket(ticket: TicketData, hands: Hands): Promise<Carried> {
  const started = performance.now();
  const text = Buffer.from(await hands.contents.get(ticket.order)).toString();
  removeTree(hands.root, work);
  const done = ticket.what === "drawing" ? await draw(text, ticket, hands) : await build(text, ticket, hands);
  removeTree(hands.root, work);
  return { ...done, machine: hands.machine, seconds: Math.round(performance.now() - started) / 1000 };
}

type Done = Omit<Carried, "machine" | "seconds">;

async function draw(text: string, { client, smallest }: TicketData, hands: Hands): Promise<Done> {
  const plan = unwrap(readPlan(text));
  if (plan.client !== client) refuse("job-invalid", `A drawing for ${client} is ${plan.client}'s.`);
  await fetchInputs(inputsOf(plan), hands.contents);
  const to = { root: hands.root, folder: `${work}/variant` };
  const means = { cache: noCache, drawing: hands.drawing };
  const { files, problems } = await carryOut(planJob(plan, to, smallest), storedInputs(hands.near), to, means);
  const results = plan.entries.flatMap(({ path }) => {
    const sum = files[path];
    return sum === undefined ? [] : [{ path, sha256: sum }];
  });
  if (problems.length === 0) await give(results, to, hands);
  return { results, problems, isShared: false };
}

async function build(text: string, { client }: TicketData, hands: Hands): Promise<Done> {
  const order = readOrder(attempted(() => JSON.parse(text)));
  if ("wrong" in order) return refuse("job-invalid", `The order of a build cannot be read: ${order.wrong}.`);
  if (order.client !== client) refuse("job-invalid", `A build for ${client} is ${order.client}'s.`);
  await fetchInputs(inputsOfOrder(order), hands.contents);
  const signing = await hands.openSigning(order);
  const { root, means } = hands;
  const given = { inputs: storedInputs(hands.near), signing, means };
  const { results, problem: wrong, isShared, log } = await performBuild(order, { root, work }, given);
  await give(results, builtIn(root, work), hands);
  const logSum = sha256(log);
  await hands.contents.put(logSum, Buffer.from(log));
  return { results: [...results], problems: wrong ? [wrong] : [], isShared, log: logSum };
}

/** Gives what was made to contents. */
const give = (
  results: readonly { path: string; sha256: string }[],
  { root, folder }: To,
  { contents }: Hands,
): Promise<void> => {
  const read = (path: string) => () => readInside(root, `${folder}/${path}`, path, largestPackage);
  return putLacking(contents, new Map(results.map(({ path, sha256: sum }) => [sum, read(path)])));
};

/** Why a machine gives a job up. */
export const whyOf = (problems: readonly Problem[]): string => problems.map(({ message }) => message).join(" ");
