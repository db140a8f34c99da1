import { generateKeyPair } from "node:crypto";
import { promisify } from "node:util";
import type { pki } from "node-forge";
import { reveal, type Secret, secretOf } from "../values/secret.ts";
import { loadForge } from "./forge.ts";
import { newSerial } from "./serial.ts";

const generate = promisify(generateKeyPair);

/** A new key of an algorithm, as PKCS#8 in PEM. */
export async function newKey(kind: { rsa: number } | { ec: "P-256" }): Promise<Secret> {
  const privateKeyEncoding = { type: "pkcs8", format: "pem" } as const;
  const publicKeyEncoding = { type: "spki", format: "pem" } as const;
  const { privateKey } =
    "rsa" in kind
      ? await generate("rsa", { modulusLength: kind.rsa, publicKeyEncoding, privateKeyEncoding })
      : await generate("ec", { namedCurve: kind.ec, publicKeyEncoding, privateKeyEncoding });
  return secretOf(privateKey);
}

/** One part of an X.500 name: its short name, such as CN, and its value. */
export interface NamePart {
  shortName: string;
  value: string;
}

/**
 * A certificate that a key signs for itself (RFC 5280), as PEM. @param key an RSA key, PKCS#8 as PEM
 * @param given.purpose what it may sign: code (id-kp-codeSigning) or whatever its reader takes it for
 */
export async function selfSigned(
  key: Secret,
  given: { subject: readonly NamePart[]; from: string; until: string; purpose?: "code" },
): Promise<string> {
  const { pki, md } = await loadForge();
  const own = pki.privateKeyFromPem(reveal(key)) as pki.rsa.PrivateKey;
  const certificate = pki.createCertificate();
  certificate.publicKey = pki.setRsaPublicKey(own.n, own.e);
  certificate.serialNumber = newSerial();
  certificate.validity.notBefore = new Date(`${given.from}T00:00:00Z`);
  certificate.validity.notAfter = new Date(`${given.until}T00:00:00Z`);
  const name = given.subject.map((part) => ({ ...part, valueTagClass: 12 as never }));
  certificate.setSubject(name);
  certificate.setIssuer(name);
  if (given.purpose === "code")
    certificate.setExtensions([
      { name: "basicConstraints", cA: false },
      { name: "keyUsage", digitalSignature: true, critical: true },
      { name: "extKeyUsage", codeSigning: true },
    ]);
  certificate.sign(own, md.sha256.create());
  return pki.certificateToPem(certificate);
}
