import { reveal, type Secret } from "../values/secret.ts";
import { loadForge } from "./forge.ts";
import type { NamePart } from "./self-signed.ts";

/**
 * A request for a certificate (PKCS#10, RFC 2986), as PEM: what an authority turns into one. It holds no secret.
 * @param key an RSA key, PKCS#8 as PEM @param subject in the order in which it is written into the request
 */
export async function certificateRequest(key: Secret, subject: readonly NamePart[]): Promise<string> {
  const { pki, md } = await loadForge();
  const own = pki.privateKeyFromPem(reveal(key));
  const request = pki.createCertificationRequest();
  request.publicKey = pki.setRsaPublicKey(own.n, own.e);
  request.setSubject(subject.map((part) => ({ ...part, valueTagClass: 12 as never })));
  request.sign(own, md.sha256.create());
  return pki.certificationRequestToPem(request);
}
