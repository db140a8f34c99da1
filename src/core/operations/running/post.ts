import { type Letter, lettersTo, sentOf, unsureSaid } from "../../agency/history/letters.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { writeTogether } from "../../ground/files/writing/together.ts";
import type { Delivery, Mail } from "../../ground/mail/send.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { attemptAsync, refuse } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import type { Asked } from "../../showing/letters/asked.ts";
import { namesOf } from "../../showing/letters/letter.ts";
import { noted, type Ports } from "./ports.ts";
import { senderOf } from "./sender.ts";
import { holding } from "./workspace.ts";

/** Sends letters, one after the other, and keeps of each what became of it. */
export interface Post {
  /** Stops: letter-repeated, letter-unsure, mail-refused, history-damaged */
  send(asked: Asked, letter: Omit<Mail, "id" | "from" | "to">): Promise<Sent>;
  /** What is wrong with all letters, and not with one. */
  problems(): readonly Problem[];
}

interface Sent {
  state: "written" | "sent" | "unsure";
  problems: readonly Problem[];
}

/** So long, in milliseconds, a letter that is sent waits to be noted while others work here. */
const patience = 60_000;

/**
 * The way to a mail server. That a letter is about to be sent is kept before, since whoever dies between a server's
 * answer and the note of it would send it twice. While a server is asked, the workspace is free.
 */
export function openPost(workspace: Workspace, again: boolean, ports: Ports): Post {
  const { root } = workspace;
  const { server, from } = senderOf(workspace, ports);
  let unreached: Problem | undefined;
  let left = 0;
  return {
    async send(asked, letter) {
      const { client, to } = asked;
      if (to === undefined) return written(problem("mail-refused", "The client has no e-mail address."));
      if (unreached) {
        left++;
        return written();
      }
      const { id, wasOpen } = await keepIntent(root, asked, to, {
        again,
        from: from.address,
        today: ports.today(),
        ...noted(ports),
      });
      const delivery = await ports.sendMail(server, { ...letter, id, from, to });
      if (delivery.state === "unreached") unreached = delivery.problem;
      const settled = await attemptAsync(() => settle(root, client, { id, wasOpen }, delivery));
      const told = delivery.state === "refused" || delivery.state === "unsure" ? [delivery.problem] : [];
      if (!settled.ok) return { state: "unsure", problems: [...told, ...settled.problems] };
      if (delivery.state === "taken") return { state: "sent", problems: [] };
      return { state: delivery.state === "unsure" ? "unsure" : "written", problems: told };
    },
    problems() {
      if (!unreached) return [];
      const rest = left === 0 ? "" : ` ${left === 1 ? "1 more letter was" : `${left} more letters were`} not tried.`;
      return [{ ...unreached, message: `${unreached.message}${rest}` }];
    },
  };
}

/** A letter that is about to be sent: what it is known by, and whether it may have arrived already. */
interface Intent {
  id: string;
  wasOpen: boolean;
}

const written = (...problems: Problem[]): Sent => ({ state: "written", problems });

/** Keeps that a letter is about to be sent. */
const keepIntent = (
  root: string,
  asked: Asked,
  to: string,
  { again, from, today, by }: { again: boolean; from: string; today: string; by?: string },
): Promise<Intent> =>
  holding(root, async () => {
    const letters = lettersTo.read(root, asked.client) ?? [];
    const open = letters.find(({ state }) => state === "unsure");
    if (open && !again) refuse("letter-unsure", unsureSaid(open));
    const sent = sentOf(letters);
    if (!again && sent.some(({ on }) => on === today))
      refuse("letter-repeated", `${to} has got a letter today already.`);
    const things = namesOf(asked.groups);
    const sum = sha256(JSON.stringify([from, asked.client, to, sent.length, things])).slice(0, 32);
    const id = open?.id ?? `${sum}@${from.split("@").at(-1)}`;
    const intent: Letter = {
      on: today,
      to,
      until: asked.until,
      things,
      id,
      state: "unsure",
      ...(by === undefined ? {} : { by }),
    };
    keep(root, asked.client, [...sent, intent]);
    return { id, wasOpen: open !== undefined };
  });

/** Keeps what became of a letter; of one that was refused nothing is left, unless it may have arrived before that. */
const settle = (root: string, client: string, { id, wasOpen }: Intent, { state }: Delivery): Promise<void> =>
  holding(
    root,
    async () => {
      const letters = lettersTo.read(root, client) ?? [];
      const others = letters.filter((each) => each.id !== id);
      const own = letters.filter((each) => each.id === id);
      if (state === "taken")
        keep(root, client, [...others, ...own.map((each) => ({ ...each, state: "sent" as const }))]);
      else if (state !== "unsure" && !wasOpen) keep(root, client, others);
    },
    patience,
  );

/** Keeps that somebody sent a client's letter by hand, or that one that may have arrived did. */
export const noteByHand = ({ root }: Workspace, asked: Asked, ports: Ports): Promise<void> =>
  holding(root, async () => {
    const letters = lettersTo.read(root, asked.client) ?? [];
    const isOpen = letters.some(({ state }) => state === "unsure");
    const own = {
      on: ports.today(),
      to: asked.to ?? "",
      until: asked.until,
      things: namesOf(asked.groups),
      ...noted(ports),
    };
    keep(root, asked.client, [
      ...letters.map((each) => ({ ...each, state: "sent" as const })),
      ...(isOpen ? [] : [{ ...own, state: "sent" as const }]),
    ]);
  });

const keep = (root: string, client: string, letters: readonly Letter[]): void =>
  writeTogether(root, lettersTo.changes(root, client, letters));
