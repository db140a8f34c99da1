import { createHash, verify, X509Certificate } from "node:crypto";
import { type BaseBlock, Constructed, fromBER, ObjectIdentifier, type Sequence } from "asn1js";
import { attempted } from "../values/attempted.ts";
import { certificatesIn } from "./signed-content.ts";

/** A signature over something that lies elsewhere, or beside it (CMS, RFC 5652; PKCS #7). */
export interface Signature {
  /** The signer's certificate, DER. */
  certificate: Uint8Array;
  /** What it encloses, as it is encoded; undefined where it encloses nothing. */
  enclosed: Uint8Array | undefined;
  /** Whether it is over this; undefined where it is made in a way that is not known here. */
  isOver(content: Uint8Array): boolean | undefined;
}

/** Digests, by their object identifiers (NIST; SHA-1: OIW). */
const digests: Readonly<Record<string, string>> = {
  "1.3.14.3.2.26": "sha1",
  "2.16.840.1.101.3.4.2.1": "sha256",
  "2.16.840.1.101.3.4.2.2": "sha384",
  "2.16.840.1.101.3.4.2.3": "sha512",
};

/** The digest of what is signed, among the attributes that are signed with it (RFC 5652, 11.2). */
const messageDigest = "1.2.840.113549.1.9.4";

/** RSA with padding by chance, whose parameters are not read here. */
const unread = "1.2.840.113549.1.1.10";

/** Reads a signature; undefined where it is none. */
export async function readSignature(bytes: Uint8Array): Promise<Signature | undefined> {
  const [certificate] = await certificatesIn(bytes);
  const parts = certificate && attempted(() => partsOf(bytes));
  if (!certificate || !parts) return undefined;
  return {
    certificate,
    enclosed: parts.enclosed && bytesOf(parts.enclosed),
    isOver(content) {
      if (parts.hash === undefined || parts.algorithm === unread) return undefined;
      return attempted(() => isOver(parts, certificate, content)) ?? false;
    },
  };
}

interface Parts {
  enclosed: BaseBlock | undefined;
  hash: string | undefined;
  algorithm: string;
  attributes: BaseBlock | undefined;
  signature: Uint8Array;
}

const childrenOf = (block: BaseBlock | undefined): BaseBlock[] =>
  block instanceof Constructed ? (block.valueBlock.value as BaseBlock[]) : [];

const identifierOf = (block: BaseBlock | undefined): string =>
  block instanceof ObjectIdentifier ? block.valueBlock.toString() : "";

/** A part that is there or not: told by its number (ASN.1, context-specific). */
const numbered = (blocks: readonly BaseBlock[], number: number) =>
  blocks.find(({ idBlock }) => idBlock.tagClass === 3 && idBlock.tagNumber === number);

function partsOf(bytes: Uint8Array): Parts | undefined {
  const outer = fromBER(Uint8Array.from(bytes).buffer).result;
  const signed = childrenOf(childrenOf(numbered(childrenOf(outer), 0))[0]);
  const [, , content] = signed;
  const signers = childrenOf(signed.at(-1));
  const signer = childrenOf(signers[0] as Sequence | undefined);
  const attributes = numbered(signer, 0);
  const behind = signer.indexOf(attributes ?? (signer[2] as BaseBlock)) + 1;
  const [algorithm, signature] = signer.slice(behind);
  if (!signature) return undefined;
  return {
    enclosed: childrenOf(numbered(childrenOf(content), 0))[0],
    hash: digests[identifierOf(childrenOf(signer[2])[0])],
    algorithm: identifierOf(childrenOf(algorithm)[0]),
    attributes,
    signature: bytesOf(signature),
  };
}

/** What a block holds, without what says its kind and length. */
function bytesOf(block: BaseBlock): Uint8Array {
  const whole = new Uint8Array(block.valueBeforeDecodeView);
  return whole.subarray(block.idBlock.blockLength + block.lenBlock.blockLength);
}

function isOver({ hash = "", attributes, signature }: Parts, certificate: Uint8Array, content: Uint8Array): boolean {
  const { publicKey } = new X509Certificate(certificate);
  if (!attributes) return verify(hash, content, publicKey, signature);
  const told = childrenOf(attributes).find((each) => identifierOf(childrenOf(each)[0]) === messageDigest);
  const digest = childrenOf(childrenOf(told)[1])[0];
  if (!digest || !createHash(hash).update(content).digest().equals(bytesOf(digest))) return false;
  // They are signed as a set of their own (RFC 5652, 5.4).
  const asSet = Buffer.from(attributes.valueBeforeDecodeView);
  asSet.writeUInt8(0x31, 0);
  return verify(hash, asSet, publicKey, signature);
}
