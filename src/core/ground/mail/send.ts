import { unescape as decoded } from "node:querystring";
import { Readable } from "node:stream";
import { createTransport } from "nodemailer";
import SMTPConnection from "nodemailer/lib/smtp-connection";
import { type Problem, problem } from "../problems/problem.ts";
import { mask, reveal, type Secret, secretOf } from "../values/secret.ts";

/** A letter as it goes into the post. */
export interface Mail {
  /** The same whenever it is sent again, so that it is shown once (RFC 5322, Message-ID, without < and >). */
  id: string;
  from: { name: string; address: string };
  to: string;
  subject: string;
  text: string;
  html: string;
  attachments: readonly { filename: string; content: Uint8Array }[];
}

/** A server that takes mail: its address, such as smtp://user@mail.example:587, and the password to it. */
export interface MailServer {
  address: Secret;
  password?: Secret | undefined;
}

/**
 * What became of a letter: the server has taken it, or refused it, or was not there to be asked at all. Unsure is a
 * letter that was handed over, and of which nothing was heard: it may have arrived.
 */
export type Delivery = { state: "taken" } | { state: "refused" | "unreached" | "unsure"; problem: Problem };

/** How long a server may be silent, in milliseconds. */
const patience = 20_000;

/** What a server says that is about to close the connection (RFC 5321, 4.2.2). */
const goesAway = 421;

const isHere = (host: string): boolean => /^(?:localhost|127(?:\.\d+){3}|\[::1\])$/.test(host);

/** Hands a letter to a mail server (SMTP). The password is used here, and said nowhere. */
export async function sendMail({ address, password }: MailServer, mail: Mail): Promise<Delivery> {
  const text = reveal(address);
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (!url || !/^smtps?:$/.test(url.protocol)) return failed("unreached", "OXALIS_SMTP names no mail server.");
  const isClosed = url.protocol === "smtps:";
  const user = decoded(url.username);
  const key = password ?? secretOf(decoded(url.password));
  const { envelope, message } = await written(mail);
  const connection = new SMTPConnection({
    host: url.hostname,
    port: Number(url.port) || (isClosed ? 465 : 587),
    secure: isClosed,
    // A password goes to this machine as it is, and to no other without encryption.
    requireTLS: user !== "" && !isHere(url.hostname),
    connectionTimeout: patience,
    greetingTimeout: patience,
    socketTimeout: patience,
  });
  let isHandedOver = false;
  const told = (state: "refused" | "unreached" | "unsure", error: Error) =>
    failed(state, mask(`${before[state]}: ${error.message.split("\n")[0]?.replace(/\.$/, "")}.`, [address, key]));
  try {
    await answered(connection, (done) => connection.connect(done));
    if (user)
      await answered(connection, (done) => connection.login({ credentials: { user, pass: reveal(key) } }, done));
  } catch (error) {
    connection.close();
    return told("unreached", error as Error);
  }
  try {
    const parts = Readable.from(
      (function* () {
        // Read only once the server has said that it takes the letter's text.
        isHandedOver = true;
        yield message;
      })(),
    );
    await answered(connection, (done) => connection.send(envelope, parts, done));
    return { state: "taken" };
  } catch (error) {
    const { responseCode } = error as { responseCode?: number };
    // A server that goes away with the letter in its hands has not said what it has done with it.
    const isLeaving = isHandedOver && responseCode === goesAway;
    if (responseCode && !isLeaving) return told("refused", error as Error);
    return told(isHandedOver ? "unsure" : "unreached", error as Error);
  } finally {
    connection.quit();
    connection.close();
  }
}

/** What is said in front of a server's, or the system's, own words. */
const before = {
  refused: "The mail server does not take the letter",
  unreached: "The mail server takes no letters",
  unsure: "The letter was handed over, and nothing was heard of it",
} as const;

/** A letter as it goes over the wire. */
async function written(mail: Mail): Promise<{ envelope: { from: string; to: string[] }; message: Buffer }> {
  const writer = createTransport({ streamTransport: true, buffer: true });
  const { envelope, message } = await writer.sendMail({
    ...mail,
    messageId: `<${mail.id}>`,
    attachments: mail.attachments.map(({ filename, content }) => ({ filename, content: Buffer.from(content) })),
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  return { envelope: { from: envelope.from || mail.from.address, to: envelope.to }, message: message as Buffer };
}

/** One step of a conversation with a server: its answer, or what went wrong meanwhile. */
const answered = (
  connection: SMTPConnection,
  step: (done: (error?: Error | null | undefined) => void) => void,
): Promise<void> =>
  new Promise((done, fail) => {
    connection.once("error", fail);
    connection.once("end", () => fail(new Error("The server has closed the connection")));
    step((error) => (error ? fail(error) : done()));
  });

const failed = (state: "refused" | "unreached" | "unsure", message: string): Delivery => ({
  state,
  problem: problem(state === "unsure" ? "letter-unsure" : "mail-refused", message),
});
