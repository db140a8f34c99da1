import { createPrivateKey } from "node:crypto";
import type { asn1 as forms } from "node-forge";
import { attempted } from "../values/attempted.ts";
import { reveal, type Secret } from "../values/secret.ts";
import { isOfKey, pemOf, secretKey } from "./certificate.ts";
import { loadForge } from "./forge.ts";

type Asn1 = forms.Asn1;

/** A private key with its certificate, as a key store holds them. */
export interface KeyEntry {
  alias: string;
  /** PKCS#8 as PEM. */
  key: Secret;
  /** PEM. */
  certificate: string;
}

/**
 * Rounds of the key derivation. A store that is made here has a password of 256 random bits: rounds make guessing what
 * is known in part slower, and nothing of it is.
 */
const rounds = 128;

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

/** The first bytes of the older Java forms: JKS, and JCEKS, which nothing here opens. */
const older = { jks: "feedfeed", jceks: "cececece" };

const beginningOf = (bytes: Uint8Array): string => Buffer.from(bytes.subarray(0, 4)).toString("hex");

/** Whether a file is of the form that keytool wrote before JDK 9 (JKS). */
export const isOlderForm = (bytes: Uint8Array): boolean => beginningOf(bytes) === older.jks;

/** Opens a key store, PKCS#12 or JKS, as keytool, OpenSSL and Windows write it: its keys with their certificates. */
export async function openKeyStore(bytes: Uint8Array, password: Secret): Promise<readonly KeyEntry[] | Unopened> {
  if (bytes.length > largest) return "too-large";
  if (beginningOf(bytes) === older.jceks) return "older";
  if (isOlderForm(bytes)) return openOlder(bytes, password);
  const { pki, pkcs12, asn1 } = await loadForge();
  const parsed = attempted(() => asn1.fromDer(Buffer.from(bytes).toString("latin1")));
  // A sequence that begins with version 3.
  if (!parsed || !Array.isArray(parsed.value) || parsed.value.length < 2) return "not-a-store";
  const store = attempted(() => pkcs12.pkcs12FromAsn1(parsed, false, reveal(password)));
  if (!store) return "password";
  const bagsOf = (type: string | undefined) => store.getBags({ bagType: type ?? "" })[type ?? ""] ?? [];
  const { pkcs8ShroudedKeyBag, keyBag, certBag } = pki.oids;
  const derOf = (form: Asn1) => Buffer.from(asn1.toDer(form).getBytes(), "latin1");
  // What it cannot read it hands on as it stands: keys and certificates of other algorithms.
  const certificates = bagsOf(certBag).map(({ cert, asn1: form }) =>
    derOf(cert ? pki.certificateToAsn1(cert) : form).toString("base64"),
  );
  const entries = [...bagsOf(pkcs8ShroudedKeyBag), ...bagsOf(keyBag)].flatMap((bag): KeyEntry[] => {
    const form = bag.key ? pki.wrapRsaPrivateKey(pki.privateKeyToAsn1(bag.key)) : bag.asn1;
    const key = attempted(() => createPrivateKey({ key: derOf(form), format: "der", type: "pkcs8" }));
    const own = key && certificates.find((each) => isOfKey(key, each));
    if (own === undefined || key === undefined) return [];
    const alias = String(bag.attributes?.friendlyName?.[0] ?? "");
    return [{ alias, key: secretKey(key), certificate: pemOf(own) }];
  });
  return entries.length > 0 ? entries : "no-key";
}

async function openOlder(bytes: Uint8Array, password: Secret): Promise<readonly KeyEntry[] | Unopened> {
  const { toPem } = await import("jks-js");
  const found = attempted(() => toPem(Buffer.from(bytes), reveal(password)));
  if (!found) return "password";
  const entries = Object.entries(found).flatMap(([alias, { key, cert }]): KeyEntry[] => {
    const own = key === undefined ? undefined : attempted(() => createPrivateKey(key));
    if (!own || cert === undefined) return [];
    return [{ alias, key: secretKey(own), certificate: firstOf(cert) }];
  });
  return entries.length > 0 ? entries : "no-key";
}

/** The first certificate of a chain: the key's own. */
const firstOf = (chain: string): string =>
  /-----BEGIN CERTIFICATE-----[\s\S]*?-----END CERTIFICATE-----/.exec(chain)?.[0] ?? chain;
