import { constants, createPublicKey, type KeyObject, verify } from "node:crypto";
import { attempted } from "../../ground/values/attempted.ts";
import { blocksOf, contentSum, type SignedArchive } from "./signing-block.ts";

/** Schemes of signatures that lie before a package's directory, by their numbers (Android, APK Signature Scheme). */
const schemes = { "3.1": 0x1b93ad61, "3": 0xf05368c0, "2": 0x7109871a } as const;

/** A certificate of a package's signer, as the signature names it. */
export interface NamedSigner {
  scheme: keyof typeof schemes;
  /** DER. */
  certificate: Uint8Array;
  /** Whether what it has signed is what the package holds; undefined where it is signed in a way unknown here. */
  holds: boolean | undefined;
}

type Hash = "sha256" | "sha512";

/** How signatures are made, by their numbers (Android, APK Signature Scheme v2, "Signature algorithm IDs"). */
const algorithms: Readonly<Record<number, { hash: Hash; salt?: number }>> = {
  257: { hash: "sha256", salt: 32 },
  258: { hash: "sha512", salt: 64 },
  259: { hash: "sha256" },
  260: { hash: "sha512" },
  513: { hash: "sha256" },
  514: { hash: "sha512" },
  769: { hash: "sha256" },
};

/** The first signer, of the newest scheme; undefined of a package without such a signature. */
export function signerOf(bytes: Uint8Array): NamedSigner | undefined {
  const archive = blocksOf(bytes);
  if (!archive) return undefined;
  for (const scheme of ["3.1", "3", "2"] as const) {
    const value = archive.blocks.get(schemes[scheme]);
    const signer = value && firstSigner(value, scheme);
    if (signer) return { scheme, certificate: signer.certificate, holds: doesHold(archive, signer) };
  }
  return undefined;
}

interface Signer {
  /** What is signed: sums of the package, certificates, and more. */
  signed: Buffer;
  /** Sums of the package, and signatures, by the number of their algorithm. */
  sums: ReadonlyMap<number, Buffer>;
  signatures: ReadonlyMap<number, Buffer>;
  certificate: Buffer;
  /** DER (SubjectPublicKeyInfo). */
  publicKey: Buffer;
}

/** What a length stands before; undefined where it is longer than what holds it. */
function sized(data: Buffer | undefined, at = 0): Buffer | undefined {
  if (!data || at + 4 > data.length) return undefined;
  const length = data.readUInt32LE(at);
  return at + 4 + length > data.length ? undefined : data.subarray(at + 4, at + 4 + length);
}

/** Parts one behind the other, each with its length before it. */
function partsOf(data: Buffer): Buffer[] {
  const all: Buffer[] = [];
  for (let at = 0; ; ) {
    const part = sized(data, at);
    if (!part) return all;
    all.push(part);
    at += 4 + part.length;
  }
}

const byAlgorithm = (data: Buffer): Map<number, Buffer> =>
  new Map(
    partsOf(data).flatMap((each) => {
      const value = sized(each, 4);
      return value ? [[each.readUInt32LE(0), value] as const] : [];
    }),
  );

function firstSigner(value: Buffer, scheme: NamedSigner["scheme"]): Signer | undefined {
  const signer = sized(sized(value));
  const signed = sized(signer);
  if (!signer || !signed) return undefined;
  const [sums, certificates] = partsOf(signed);
  // From the third scheme on, the systems that it is for stand before the signatures.
  const systems = scheme === "2" ? 0 : 8;
  const signatures = sized(signer, 4 + signed.length + systems);
  const publicKey = signatures && sized(signer, 4 + signed.length + systems + 4 + signatures.length);
  const certificate = certificates && sized(certificates);
  if (!sums || !certificate) return undefined;
  return {
    signed,
    sums: byAlgorithm(sums),
    signatures: byAlgorithm(signatures ?? Buffer.alloc(0)),
    certificate,
    publicKey: publicKey ?? Buffer.alloc(0),
  };
}

function doesHold(archive: SignedArchive, { signed, sums, signatures, publicKey }: Signer): boolean | undefined {
  const key = attempted(() => createPublicKey({ key: publicKey, format: "der", type: "spki" }));
  if (!key) return false;
  const known = [...signatures].flatMap(([number, signature]) => {
    const algorithm = algorithms[number];
    return algorithm ? [{ ...algorithm, number, signature }] : [];
  });
  if (known.length === 0) return undefined;
  return known.every(
    ({ hash, salt, number, signature }) =>
      isSigned(key, hash, salt, signed, signature) && sums.get(number)?.equals(contentSum(archive, hash)) === true,
  );
}

const isSigned = (key: KeyObject, hash: Hash, salt: number | undefined, signed: Buffer, signature: Buffer): boolean =>
  attempted(() =>
    verify(
      hash,
      signed,
      salt === undefined ? key : { key, padding: constants.RSA_PKCS1_PSS_PADDING, saltLength: salt },
      signature,
    ),
  ) === true;
