import { attempted } from "../values/attempted.ts";
import { nameParts } from "./x500.ts";

/** The extensions of a certificate, by their object identifiers (RFC 5280). @param certificate DER, as base64 */
export async function extensionsOf(certificate: string): Promise<string[]> {
  const { Certificate } = await import("pkijs");
  const read = attempted(() => Certificate.fromBER(Uint8Array.from(Buffer.from(certificate, "base64")).buffer));
  return (read?.extensions ?? []).map(({ extnID }) => extnID);
}

/** The team that a certificate of Apple's is of: the organizational unit of its subject. */
export const teamOf = (subject: string | undefined): string | undefined =>
  nameParts(subject ?? "")?.find(({ shortName, value }) => shortName === "OU" && /^[A-Z0-9]{10}$/.test(value))?.value;
