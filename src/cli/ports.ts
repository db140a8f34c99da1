import { hostname, userInfo } from "node:os";
import { refuse } from "../core/ground/problems/result.ts";
import { type Secret, secretOf } from "../core/ground/values/secret.ts";
import { openCache } from "../core/making/jobs/cache.ts";
import type { Ports } from "../core/operations/running/ports.ts";
import { openComparer } from "./comparer.ts";
import { handOverPhrase, passPhrase, storePassword } from "./pass-phrase.ts";
import { version } from "./version.ts";

/** The world as the command line has it. */
export const openPorts = (given: { passphraseFd?: string } = {}): Ports => ({
  folder: process.cwd(),
  today,
  user,
  on: () => {},
  openComparer,
  openCache,
  secret,
  variable: (name) => process.env[name],
  variables: () => Object.keys(process.env),
  storePassword,
  handOverPhrase,
  passPhrase: (purpose) => passPhrase(purpose, given.passphraseFd),
  reach,
  sendMail: async (server, mail) => (await import("../core/ground/mail/send.ts")).sendMail(server, mail),
  fetch: (request) => fetch(request),
  now: Date.now,
  pause: (time) => new Promise((over) => setTimeout(over, time)),
  machine: () => `${hostname()}-${process.pid}`,
  isToEnd: () => false,
  run: async (program) => (await import("../core/ground/processes/run.ts")).run(program),
  version,
});

/** Milliseconds within which an address has to answer. */
const patience = 10_000;

async function reach(address: string): Promise<string | undefined> {
  try {
    const answer = await fetch(address, { signal: AbortSignal.timeout(patience), redirect: "follow" });
    await answer.body?.cancel();
    return answer.ok ? undefined : `answers with ${answer.status}`;
  } catch (error) {
    return (error as Error).name === "TimeoutError" ? "does not answer" : "cannot be reached";
  }
}

function secret(name: string): Secret | undefined {
  const text = process.env[name];
  return text === undefined ? undefined : secretOf(text);
}

/** OXALIS_USER, where that is set; otherwise the name of whoever is logged in. */
function user(): string | undefined {
  const name = (process.env.OXALIS_USER ?? loginName())?.replace(/[\p{Cc}\p{Cf}]/gu, "").trim();
  return name === "" ? undefined : name?.slice(0, 100);
}

function loginName(): string | undefined {
  try {
    return userInfo().username;
  } catch {
    // A container's user may have no name.
    return undefined;
  }
}

/** SOURCE_DATE_EPOCH stands in for the clock where it is set. Stops: clock-wrong */
function today(): string {
  const seconds = Number(process.env.SOURCE_DATE_EPOCH);
  const now = process.env.SOURCE_DATE_EPOCH && Number.isFinite(seconds) ? new Date(seconds * 1000) : new Date();
  const year = now.getUTCFullYear();
  if (year >= 2000 && year <= 9999) return now.toISOString().slice(0, 10);
  return refuse("clock-wrong", `The clock says the year ${Number.isNaN(year) ? "after 275,760" : year}.`);
}
