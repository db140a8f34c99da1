import type { Workspace } from "../../agency/workspace/workspace.ts";
import type { Mail, MailServer } from "../../ground/mail/send.ts";
import { refuse } from "../../ground/problems/result.ts";
import type { Ports } from "./ports.ts";

/** By which server the agency sends mail, and as whom. Stops: mail-refused */
export function senderOf({ agency }: Workspace, ports: Ports): { server: MailServer; from: Mail["from"] } {
  const address = ports.secret("OXALIS_SMTP");
  const { name, email } = agency.data.agency;
  if (!address) refuse("mail-refused", "OXALIS_SMTP names no mail server.");
  if (!email) refuse("mail-refused", "The agency has no e-mail address to send from: agency.email in oxalis.yaml.");
  return { server: { address, password: ports.secret("OXALIS_SMTP_PASSWORD") }, from: { name, address: email } };
}

/**
 * What a message is known by, wherever it is sent from (RFC 5322, Message-ID).
 * @param sum of what it says and to whom
 */
export const messageId = (sum: string, { address }: Mail["from"]): string =>
  `${sum.slice(0, 32)}@${address.split("@").at(-1)}`;
