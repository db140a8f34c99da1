import {
  createPrivateKey,
  createPublicKey,
  type KeyObject,
  randomBytes,
  sign,
  verify,
  X509Certificate,
} from "node:crypto";
import { promisify } from "node:util";
import { attempted } from "../values/attempted.ts";
import { reveal, type Secret, secretOf } from "../values/secret.ts";

/** What a certificate says, as people compare it. */
export interface CertificateFacts {
  /** As RFC 4514 writes it: CN=Hill Farm Ltd, C=GB. */
  subject: string;
  /** Days, as 2026-11-29. */
  from: string;
  until: string;
  /** Upper-case hexadecimal digits with colons. */
  sha256: string;
  sha1: string;
  /** RSA 3072, EC P-256. */
  algorithm: string;
  /** DER, as base64. */
  certificate: string;
  /** What it may be used for, as object identifiers (RFC 5280, extended key usage); none where it does not say. */
  purposes: readonly string[];
}

/** Reads a certificate, PEM or DER; undefined where it is none. */
export function certificateFacts(bytes: string | Uint8Array): CertificateFacts | undefined {
  const read = parsed(bytes);
  if (!read) return undefined;
  return {
    subject: subjectOf(read),
    from: dayOf(read.validFrom),
    until: dayOf(read.validTo),
    sha256: read.fingerprint256,
    sha1: read.fingerprint,
    algorithm: algorithmOf(read.publicKey),
    certificate: read.raw.toString("base64"),
    purposes: read.keyUsage ?? [],
  };
}

/** A certificate as programs exchange it: PEM. @param certificate DER, as base64 */
export const pemOf = (certificate: string): string =>
  `-----BEGIN CERTIFICATE-----\n${certificate}\n-----END CERTIFICATE-----\n`;

/** The public half of a certificate: DER (SubjectPublicKeyInfo), as base64; undefined where it is none. */
export const publicHalfIn = (certificate: string): string | undefined => {
  const read = parsed(Buffer.from(certificate, "base64"));
  return read && halfOf(read.publicKey);
};

/** The same of a private key. @param key PKCS#8 as PEM */
export const publicHalfOf = (key: Secret): string => halfOf(publicOf(key));

const halfOf = (key: KeyObject): string => key.export({ type: "spki", format: "der" }).toString("base64");

/** A certificate whose key and times can be read: the system reads them only when they are asked for. */
function parsed(bytes: string | Uint8Array): X509Certificate | undefined {
  return attempted(() => {
    const read = new X509Certificate(bytes);
    const isWhole =
      read.publicKey.type === "public" && [read.validFrom, read.validTo].every((at) => !Number.isNaN(Date.parse(at)));
    return isWhole ? read : undefined;
  });
}

/** The most particular part first, as people write it. */
const subjectOf = ({ subject }: X509Certificate): string => subject.split("\n").reverse().join(", ");

const dayOf = (text: string): string => new Date(text).toISOString().slice(0, 10);

const curves: Readonly<Record<string, string>> = { prime256v1: "P-256", secp384r1: "P-384", secp521r1: "P-521" };

export function algorithmOf({ asymmetricKeyType, asymmetricKeyDetails }: KeyObject): string {
  const curve = asymmetricKeyDetails?.namedCurve;
  if (curve) return `EC ${curves[curve] ?? curve}`;
  return [asymmetricKeyType?.toUpperCase(), asymmetricKeyDetails?.modulusLength].filter(Boolean).join(" ");
}

/** Signs beside whatever else is done. */
const signed = promisify(sign);

/** Private keys by the secrets that hold them: to read one again takes as long as to sign by it. */
const opened = new WeakMap<Secret, KeyObject>();

/** @param privateKey PKCS#8 as PEM. Throws where it is none. */
function openedKey(privateKey: Secret): KeyObject {
  const key = opened.get(privateKey) ?? createPrivateKey(reveal(privateKey));
  opened.set(privateKey, key);
  return key;
}

/** A private key as a secret: PKCS#8 as PEM. */
export function secretKey(key: KeyObject): Secret {
  const secret = secretOf(key.export({ type: "pkcs8", format: "pem" }) as string);
  opened.set(secret, key);
  return secret;
}

/** Whether a certificate is of a private key: it has the same public half. @param certificate DER, as base64 */
export const isOfKey = (privateKey: KeyObject, certificate: string): boolean =>
  parsed(Buffer.from(certificate, "base64"))?.checkPrivateKey(privateKey) ?? false;

/** Whether a private key is a certificate's own: what the one signs, the other verifies. */
export async function isPair(privateKey: Secret, certificate: string): Promise<boolean> {
  const read = parsed(Buffer.from(certificate, "base64"));
  return read !== undefined && provesPair(privateKey, read.publicKey);
}

/** The same of a public key alone. @param privateKey PKCS#8 as PEM */
export async function provesPair(privateKey: Secret, publicKey: KeyObject): Promise<boolean> {
  const nonce = randomBytes(32);
  try {
    return verify("sha256", nonce, publicKey, await signed("sha256", nonce, openedKey(privateKey)));
  } catch {
    return false;
  }
}

/** The public half of a private key. @param privateKey PKCS#8 as PEM */
export const publicOf = (privateKey: Secret): KeyObject => createPublicKey(openedKey(privateKey));
