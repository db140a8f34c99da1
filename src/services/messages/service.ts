import { Hono } from "hono";
import { textWithin } from "../../core/ground/interfaces/body.ts";
import type { Heard, Listener } from "../../core/operations/listen.ts";

/** Largest message that is read, in bytes. */
const largest = 64 * 1024;

/** Messages of stores over HTTP: each is heard, and answered for. */
export function listeningService({ hear }: Listener, onHeard: (heard: Heard) => void): Hono {
  const service = new Hono();
  service.post("*", async (context) => {
    const body = await textWithin(new Response(context.req.raw.body), largest);
    if (body === undefined) return context.json({ wrong: `more than ${largest} bytes` }, 400);
    const header = (name: string) => context.req.header(name) ?? "";
    const heard = await hear(
      {
        "message-id": header("message-id"),
        "message-time": header("message-time"),
        "message-signature": header("message-signature"),
      },
      body,
    );
    onHeard(heard);
    return heard.wrong === undefined ? context.body(null, 200) : context.json({ wrong: heard.wrong }, heard.status);
  });
  return service;
}
