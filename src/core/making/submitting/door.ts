import type * as z from "zod";
import type { Answered, Ask, Asked } from "../../ground/interfaces/asked.ts";
import { problem } from "../../ground/problems/problem.ts";
import { stop } from "../../ground/problems/result.ts";
import { reveal, type Secret } from "../../ground/values/secret.ts";
import { appWire, happeningWire, pageOf, type StoreApp, type StoreHappening, uploadedWire, wrongWire } from "./wire.ts";

/** An app as a store has it, and the tag of that state: what is changed is changed only where it is still that. */
export interface Tagged {
  app: StoreApp;
  tag: string;
}

/** What a store has said no to. */
export interface Refused {
  wrong: string;
  rule?: string | undefined;
  where?: string | undefined;
  lacks?: readonly string[] | undefined;
  /** The record is another than was looked at: by somebody else, or by a call of which no answer came. */
  isChanged: boolean;
}

/** A store's interface, in its own words. What stops calls stops here too. */
export interface StoreDoor {
  /** The app of an identifier; undefined where the store knows none. */
  find(identifier: string): Promise<Tagged | undefined>;
  read(app: string): Promise<Tagged>;
  /** Does something of which the answer is the app as it is then. */
  act(asked: Asked): Promise<Tagged | Refused>;
  /** Bytes of a sum that are there, and whether those are all. */
  upload(asked: Asked): Promise<{ received: number; isWhole: boolean } | Refused>;
  /** What has happened to an app behind an id, the oldest first. */
  happenings(app: string, after: string | undefined): Promise<StoreHappening[]>;
  /** Lets it tell an address what happens, in messages that this secret signs. */
  sendMessagesTo(address: string, secret: Secret): Promise<void>;
}

export const isRefused = <T>(of: T | Refused): of is Refused => typeof of === "object" && of !== null && "wrong" in of;

/** Most pages of a list that are asked for: what goes on without an end is none. */
const mostPages = 1000;

const happeningPage = pageOf(happeningWire);
const foundPage = pageOf(appWire);

/** @param title of the store, for messages */
export function openDoor(title: string, ask: Ask): StoreDoor {
  const unlike = (asked: Asked, what: string): never =>
    stop([
      problem("interface-answer", `${title} answers ${asked.method} ${asked.path} otherwise than described: ${what}.`),
    ]);

  function read<T>(schema: z.ZodType<T>, { body }: Answered, asked: Asked): T {
    const held = schema.safeParse(body);
    if (held.success) return held.data;
    const [issue] = held.error.issues;
    return unlike(asked, `${issue?.path.join(".") || "all of it"}: ${issue?.message ?? "it is something else"}`);
  }

  const tagged = (answered: Answered, asked: Asked): Tagged => ({
    app: read(appWire, answered, asked),
    tag: answered.tag ?? unlike(asked, "there is no ETag"),
  });

  const refusal = (answered: Answered, asked: Asked): Refused => ({
    ...read(wrongWire, answered, asked),
    isChanged: answered.status === 412,
  });

  const isFine = ({ status }: Answered): boolean => status >= 200 && status < 300;

  return {
    async find(identifier) {
      const asked: Asked = { method: "GET", path: `/apps?identifier=${encodeURIComponent(identifier)}` };
      const answered = await ask(asked);
      if (!isFine(answered)) return unlike(asked, String(answered.status));
      const [first] = read(foundPage, answered, asked).items;
      return first && this.read(first.app);
    },
    async read(app) {
      const asked: Asked = { method: "GET", path: pathOf(app) };
      const answered = await ask(asked);
      return isFine(answered) ? tagged(answered, asked) : unlike(asked, String(answered.status));
    },
    async act(asked) {
      const answered = await ask(asked);
      return isFine(answered) ? tagged(answered, asked) : refusal(answered, asked);
    },
    async upload(asked) {
      const answered = await ask(asked);
      return isFine(answered) ? read(uploadedWire, answered, asked) : refusal(answered, asked);
    },
    async sendMessagesTo(address, secret) {
      const asked: Asked = { method: "PUT", path: "/hook", body: { address, secret: reveal(secret) } };
      const answered = await ask(asked);
      if (!isFine(answered)) unlike(asked, String(answered.status));
    },
    async happenings(app, after) {
      const all: StoreHappening[] = [];
      let from = after;
      for (let page = 0; page < mostPages; page++) {
        const query = from === undefined ? "" : `?after=${encodeURIComponent(from)}`;
        const asked: Asked = { method: "GET", path: `${pathOf(app)}/happenings${query}` };
        const answered = await ask(asked);
        if (!isFine(answered)) return unlike(asked, String(answered.status));
        const { items, next } = read(happeningPage, answered, asked);
        all.push(...items);
        if (next === undefined || next === from) return all;
        from = next;
      }
      return all;
    },
  };
}

/** Where an app lies, below an interface's address. */
export const pathOf = (app: string): string => `/apps/${encodeURIComponent(app)}`;
