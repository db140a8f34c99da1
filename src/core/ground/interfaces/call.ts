import { problem } from "../problems/problem.ts";
import { refuse, stop } from "../problems/result.ts";
import { reveal } from "../values/secret.ts";
import type { Answered, Ask, Asked, Entry, World } from "./asked.ts";
import { largestAnswer, textWithin } from "./body.ts";
import { newPace } from "./pace.ts";

/** How long an answer is waited for, in milliseconds; of bytes that are sent, longer. */
const patience = { answer: 30_000, bytes: 300_000 };

/** So often is asked again where no answer comes, and how long is waited before, in milliseconds: longer each time. */
const again = { times: 4, after: 400 };

/** So often is waited where an interface says that it is asked too often. */
const mostThrottled = 20;

/** So far may two clocks be apart, in milliseconds, before a token that is refused is put down to that. */
const mostApart = 5 * 60_000;

/** So many calls are on their way to one interface at once. */
const atOnce = 6;

interface Interface {
  /** Who is asked, for messages. */
  title: string;
  /** Without a path's end. */
  address: string;
  entry: Entry;
}

/**
 * Asks an interface over HTTP. What gets no answer is asked again under the same key; what leads elsewhere, is too
 * large or no JSON is an error; a token is said nowhere.
 */
export function openInterface({ title, address, entry }: Interface, world: World): Ask {
  const base = address.replace(/\/+$/, "");
  const pace = newPace(atOnce, world);

  async function once(asked: Asked, isAnew: boolean): Promise<Response | string> {
    const token = await entry.token(isAnew);
    try {
      return await world.fetch(requestOf(base, asked, reveal(token)));
    } catch (error) {
      return whyOf(error as Error);
    }
  }

  return async (asked) => {
    let isAnew = false;
    let throttled = 0;
    for (let tried = 1; ; ) {
      const answer = await pace.run(() => once(asked, isAnew));
      const wait = typeof answer === "string" ? undefined : patienceAsked(answer, world.now());
      if (typeof answer !== "string" && wait !== undefined && throttled++ < mostThrottled) {
        await answer.body?.cancel();
        pace.slow(wait);
        continue;
      }
      if (typeof answer === "string" || answer.status >= 500) {
        const why = typeof answer === "string" ? answer : `answers with ${answer.status}`;
        if (tried++ > again.times) return refuse("interface-unreachable", `${title} (${base}) ${why}.`);
        await world.pause(again.after * tried);
        continue;
      }
      if (answer.status === 401 && !isAnew) {
        await answer.body?.cancel();
        isAnew = true;
        continue;
      }
      const read = await attempted(() => readAnswer(answer, { title, base, asked, now: world.now() }));
      if (read !== undefined) return read;
      // It broke off in the midst: what became of it, the same key asks.
      if (tried++ > again.times) return refuse("interface-unreachable", `${title} (${base}) breaks off its answers.`);
      await world.pause(again.after * tried);
    }
  };
}

function requestOf(base: string, { method, path, body, bytes, key, match }: Asked, token: string): Request {
  const sent = bytes ? Uint8Array.from(bytes) : body === undefined ? null : JSON.stringify(body);
  return new Request(`${base}${path}`, {
    method,
    redirect: "manual",
    signal: AbortSignal.timeout(bytes ? patience.bytes : patience.answer),
    headers: {
      accept: "application/json",
      authorization: `Bearer ${token}`,
      ...(sent === null ? {} : { "content-type": bytes ? "application/octet-stream" : "application/json" }),
      ...(key === undefined ? {} : { "idempotency-key": key }),
      ...(match === undefined ? {} : { "if-match": match }),
    },
    ...(sent === null ? {} : { body: sent }),
  });
}

/** What Node calls the faults of certificates (its documentation, "X509 certificate error codes"), and of TLS. */
const certificateFaults = /CERT|CRL|TLS|SSL|SELF_SIGNED|INVALID_(?:CA|PURPOSE)|UNABLE_TO|PATH_LENGTH|HOSTNAME_MISMATCH/;

/** What kept a call from being answered, in words. */
function whyOf(error: Error): string {
  if (error.name === "TimeoutError") return "does not answer in time";
  const cause = error.cause as (Error & { code?: string }) | undefined;
  if (certificateFaults.test(cause?.code ?? "")) return `shows a certificate that does not fit (${cause?.code})`;
  return `cannot be reached (${cause?.code ?? cause?.message ?? error.message})`;
}

/** The seconds for which an interface asks to be left alone; undefined where it does not (RFC 6585, RFC 9110). */
function patienceAsked({ status, headers }: Response, now: number): number | undefined {
  const said = headers.get("retry-after");
  if (status !== 429 && !(status === 503 && said !== null)) return undefined;
  if (said === null) return 1;
  const seconds = /^\d+$/.test(said) ? Number(said) : (Date.parse(said) - now) / 1000;
  return Number.isFinite(seconds) ? seconds : 1;
}

/** What was read; undefined where the connection broke. */
async function attempted<T>(work: () => Promise<T>): Promise<T | undefined> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof TypeError || (error as Error).name === "TimeoutError") return undefined;
    throw error;
  }
}

async function readAnswer(
  answer: Response,
  { title, base, asked, now }: { title: string; base: string; asked: Asked; now: number },
): Promise<Answered> {
  const wrong = (what: string): never =>
    stop([problem("interface-answer", `${title} (${base}) answers ${asked.method} ${asked.path} with ${what}.`)]);
  const { status, headers } = answer;
  if (status === 401) return refuseEntry(title, base, headers.get("date"), now);
  if (status >= 300 && status < 400) {
    await answer.body?.cancel();
    return wrong("another address: it is not followed");
  }
  const text = await textWithin(answer, largestAnswer);
  if (text === undefined) return wrong(`more than ${largestAnswer} bytes`);
  const tag = headers.get("etag");
  return { status, body: text === "" ? undefined : asJson(text, wrong), ...(tag === null ? {} : { tag }) };
}

function asJson(text: string, wrong: (what: string) => never): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return wrong("what is no JSON");
  }
}

function refuseEntry(title: string, base: string, date: string | null, now: number): never {
  const apart = date === null ? 0 : now - Date.parse(date);
  if (Math.abs(apart) > mostApart)
    return refuse(
      "clock-apart",
      `${title} (${base}) takes no token: its clock and this machine's are ${spanSaid(Math.abs(apart))} apart.`,
    );
  return refuse("interface-refused", `${title} (${base}) does not let this program in.`);
}

const spanSaid = (time: number): string => {
  const hours = time / 3_600_000;
  return hours >= 1 ? `${Math.round(hours)} hours` : `${Math.round(time / 60_000)} minutes`;
};
