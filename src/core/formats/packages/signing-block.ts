/** Schemes of signatures that lie before a package's directory, by their numbers (Android, APK Signature Scheme). */
const schemes = { "3": 0xf05368c0, "3.1": 0x1b93ad61, "2": 0x7109871a } as const;

/** A certificate of a package's signer, as the signature names it. */
export interface NamedSigner {
  scheme: keyof typeof schemes;
  /** DER. */
  certificate: Uint8Array;
}

const magic = "APK Sig Block 42";

/** The certificate of the first signer, of the newest scheme; undefined of a package without such a signature. */
export function signerOf(bytes: Uint8Array): NamedSigner | undefined {
  const data = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = data.lastIndexOf(Buffer.from([0x50, 0x4b, 0x05, 0x06]));
  if (end < 0 || end + 20 > data.length) return undefined;
  const directory = data.readUInt32LE(end + 16);
  if (directory < 32 || directory > data.length) return undefined;
  if (data.toString("latin1", directory - 16, directory) !== magic) return undefined;
  const size = Number(data.readBigUInt64LE(directory - 24));
  const start = directory - size;
  if (start < 0 || size > 16 * 1024 * 1024) return undefined;
  const found = new Map<number, Buffer>();
  for (let at = start; at + 12 <= directory - 24; ) {
    const length = Number(data.readBigUInt64LE(at));
    if (length < 4 || at + 8 + length > directory - 24) break;
    found.set(data.readUInt32LE(at + 8), data.subarray(at + 12, at + 8 + length));
    at += 8 + length;
  }
  for (const scheme of ["3.1", "3", "2"] as const) {
    const value = found.get(schemes[scheme]);
    const certificate = value && certificateIn(value);
    if (certificate) return { scheme, certificate };
  }
  return undefined;
}

/** What a length stands before; undefined where it is longer than what holds it. */
function sized(data: Buffer | undefined, at = 0): Buffer | undefined {
  if (!data || at + 4 > data.length) return undefined;
  const length = data.readUInt32LE(at);
  return at + 4 + length > data.length ? undefined : data.subarray(at + 4, at + 4 + length);
}

/** Signers, the first one; its signed data; behind the digests its certificates, the first one. */
function certificateIn(value: Buffer): Buffer | undefined {
  const signed = sized(sized(sized(value)));
  const digests = sized(signed);
  return digests && sized(sized(signed, 4 + digests.length));
}
