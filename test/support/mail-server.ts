import type { ChildProcess } from "node:child_process";
import type { AddressInfo } from "node:net";
import { SMTPServer } from "smtp-server";
import { startWith } from "./oxalis.ts";

/** A letter as a server got it. */
export interface Got {
  to: string[];
  data: string;
}

export interface Listening {
  got: Got[];
  port: number;
  /** Runs the program with this server to send by, to its end. */
  run(folder: string, args: readonly string[], started?: (child: ChildProcess) => void): Promise<Ended>;
  close(): Promise<void>;
}

interface Ended {
  code: number | null;
  said: string;
}

/** A mail server on this machine. @param taken called with each letter before it is answered; false: never answered */
export async function mailServer(taken: (got: Got) => boolean | Promise<boolean> = () => true): Promise<Listening> {
  const got: Got[] = [];
  const server = new SMTPServer({
    disabledCommands: ["STARTTLS", "AUTH"],
    closeTimeout: 200,
    onData(stream, session, done) {
      let data = "";
      stream.on("data", (chunk: Buffer) => {
        data += chunk.toString();
      });
      stream.on("end", async () => {
        const letter = { to: session.envelope.rcptTo.map(({ address }) => address), data };
        got.push(letter);
        if (await taken(letter)) done();
      });
    },
  });
  server.on("error", () => {}); // whoever is killed leaves a broken connection
  await new Promise<void>((ready) => server.listen(0, "127.0.0.1", ready));
  const { port } = server.server.address() as AddressInfo;
  return {
    got,
    port,
    run: (folder, args, started) => runWith(`smtp://127.0.0.1:${port}`, folder, args, started),
    close: () => new Promise((closed) => server.close(() => closed())),
  };
}

/** Runs the program with a server to send by, to its end. */
export function runWith(
  address: string,
  folder: string,
  args: readonly string[],
  started?: (child: ChildProcess) => void,
): Promise<Ended> {
  const child = startWith({ OXALIS_SMTP: address }, folder, ...args);
  started?.(child);
  let said = "";
  for (const stream of [child.stdout, child.stderr]) stream.on("data", (chunk) => (said += chunk));
  return new Promise((ended) => child.once("close", (code) => ended({ code, said })));
}
