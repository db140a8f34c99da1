import { createPrivateKey } from "node:crypto";
import type { pkcs12 } from "node-forge";
import { reveal, type Secret, secretOf } from "../values/secret.ts";
import { loadForge } from "./forge.ts";

/** A private key with its certificate, as a key store holds them. */
export interface KeyEntry {
  alias: string;
  /** PKCS#8 as PEM. */
  key: Secret;
  /** PEM. */
  certificate: string;
}

/** Rounds of the key derivation of a store whose password nobody can guess: it is 256 random bits. */
const rounds = 2048;

/**
 * A key store with one key (RFC 7292): the key under AES-256 by PBKDF2, as JDK 8 and later, OpenSSL and Windows read
 * it.
 * @param entry its key: RSA
 */
export async function keyStoreBytes({ alias, key, certificate }: KeyEntry, password: Secret): Promise<Uint8Array> {
  const { pki, pkcs12, asn1 } = await loadForge();
  const store = pkcs12.toPkcs12Asn1(
    pki.privateKeyFromPem(reveal(key)),
    [pki.certificateFromPem(certificate)],
    reveal(password),
    { algorithm: "aes256", count: rounds, friendlyName: alias, generateLocalKeyId: true },
  );
  return Buffer.from(asn1.toDer(store).getBytes(), "latin1");
}

/** Larger files are no key stores, in bytes. */
const largest = 1024 * 1024;

/** Why a file is not opened as a key store. */
export type Unopened = "too-large" | "older" | "not-a-store" | "password" | "no-key";

/** The first bytes of the older Java forms (JKS, JCEKS). */
const olderForms = ["feedfeed", "cececece"];

/** Opens a key store (PKCS#12), as keytool, OpenSSL and Windows write it: its keys with their certificates. */
export async function openKeyStore(bytes: Uint8Array, password: Secret): Promise<readonly KeyEntry[] | Unopened> {
  if (bytes.length > largest) return "too-large";
  if (olderForms.includes(Buffer.from(bytes.subarray(0, 4)).toString("hex"))) return "older";
  const { pki, pkcs12, asn1 } = await loadForge();
  const parsed = attempted(() => asn1.fromDer(Buffer.from(bytes).toString("latin1")));
  // A sequence that begins with version 3.
  if (!parsed || !Array.isArray(parsed.value) || parsed.value.length < 2) return "not-a-store";
  const store = attempted(() => pkcs12.pkcs12FromAsn1(parsed, false, reveal(password)));
  if (!store) return "password";
  const bagsOf = (type: string | undefined) => store.getBags({ bagType: type ?? "" })[type ?? ""] ?? [];
  const { pkcs8ShroudedKeyBag, keyBag, certBag } = pki.oids;
  const certificates = bagsOf(certBag);
  const derOf = (each: pkcs12.Bag) => {
    const form = each.cert ? pki.certificateToAsn1(each.cert) : each.asn1;
    return Buffer.from(asn1.toDer(form).getBytes(), "latin1");
  };
  const entries = [...bagsOf(pkcs8ShroudedKeyBag), ...bagsOf(keyBag)].flatMap((bag): KeyEntry[] => {
    const id = bag.attributes?.localKeyId?.[0] as string | undefined;
    const own =
      certificates.find((each) => id !== undefined && each.attributes?.localKeyId?.[0] === id) ?? certificates[0];
    // What it cannot name it hands on as it stands: a key of another algorithm.
    const form = bag.key ? pki.wrapRsaPrivateKey(pki.privateKeyToAsn1(bag.key)) : bag.asn1;
    const key = attempted(() => pemOf(Buffer.from(asn1.toDer(form).getBytes(), "latin1")));
    if (!own || key === undefined) return [];
    const alias = String(bag.attributes?.friendlyName?.[0] ?? "");
    const certificate = `-----BEGIN CERTIFICATE-----\n${derOf(own).toString("base64")}\n-----END CERTIFICATE-----\n`;
    return [{ alias, key: secretOf(key), certificate }];
  });
  return entries.length > 0 ? entries : "no-key";
}

const pemOf = (der: Buffer): string =>
  createPrivateKey({ key: der, format: "der", type: "pkcs8" }).export({ type: "pkcs8", format: "pem" }) as string;

function attempted<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}
