import { certificateFacts } from "../../ground/certificates/certificate.ts";
import type { PackageSigner } from "./facts.ts";

/** Who has signed a package, by their certificate. @param by what the signature is called */
export function signerBy(
  by: string,
  certificate: Uint8Array | undefined,
  holds: boolean | undefined,
): { signer?: PackageSigner } {
  const facts = certificate && certificateFacts(certificate);
  if (!facts) return {};
  return { signer: { subject: facts.subject, sha256: facts.sha256, by, ...(holds === undefined ? {} : { holds }) } };
}
