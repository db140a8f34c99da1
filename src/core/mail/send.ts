import { unescape as decoded } from "node:querystring";
import { createTransport } from "nodemailer";
import { problem } from "../problems/problem.ts";
import { fail, type Result, succeed } from "../problems/result.ts";
import { mask, reveal, type Secret, secretOf } from "../values/secret.ts";

/** A letter as it goes into the post. */
export interface Mail {
  from: string;
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

/** How long a server may be silent, in milliseconds. */
const patience = 20_000;

const isHere = (host: string): boolean => /^(?:localhost|127(?:\.\d+){3}|\[::1\])$/.test(host);

/** Hands a letter to a mail server (SMTP). The password is used here, and said nowhere. */
export async function sendMail({ address, password }: MailServer, mail: Mail): Promise<Result<void>> {
  const text = reveal(address);
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (!url || !/^smtps?:$/.test(url.protocol)) return refused("OXALIS_SMTP names no mail server.");
  const isClosed = url.protocol === "smtps:";
  const user = decoded(url.username);
  const key = password ?? secretOf(decoded(url.password));
  const transport = createTransport({
    host: url.hostname,
    port: Number(url.port) || (isClosed ? 465 : 587),
    secure: isClosed,
    // A password goes to this machine as it is, and to no other without encryption.
    requireTLS: user !== "" && !isHere(url.hostname),
    ...(user ? { auth: { user, pass: reveal(key) } } : {}),
    connectionTimeout: patience,
    greetingTimeout: patience,
    socketTimeout: patience,
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  try {
    await transport.sendMail({
      ...mail,
      attachments: mail.attachments.map(({ filename, content }) => ({ filename, content: Buffer.from(content) })),
    });
    return succeed(undefined);
  } catch (error) {
    return refused(mask(`${(error as Error).message.split("\n")[0]}.`, [address, key]));
  } finally {
    transport.close();
  }
}

const refused = (message: string): Result<void> => fail(problem("mail-refused", message));
