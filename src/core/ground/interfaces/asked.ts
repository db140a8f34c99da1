import type { Secret } from "../values/secret.ts";

/** What is asked of an interface over HTTP. */
export interface Asked {
  method: "GET" | "POST" | "PUT" | "DELETE";
  /** Below the interface's address, with its query. */
  path: string;
  /** Sent as JSON. */
  body?: unknown;
  /** Or bytes, as they are. */
  bytes?: Uint8Array;
  /** What the act is known by: asked for twice under one key, it is done once. */
  key?: string;
  /** Only where what is there has this tag still. */
  match?: string;
}

/** What came back, of whatever status below 500 but 401 and 429: those are dealt with. */
export interface Answered {
  status: number;
  body: unknown;
  /** The tag of what was asked for, where it has one (ETag). */
  tag?: string;
}

/** An interface that is asked. Stops: interface-unreachable, interface-answer, interface-refused, clock-apart */
export type Ask = (asked: Asked) => Promise<Answered>;

/** What calls need of the world. */
export interface World {
  fetch(request: Request): Promise<Response>;
  /** Milliseconds since 1970. */
  now(): number;
  /** @param time in milliseconds */
  pause(time: number): Promise<void>;
}

/** How a program shows who it is. */
export interface Entry {
  /** The token for the next call. @param isAnew the last one was refused */
  token(isAnew: boolean): Promise<Secret>;
}
