import { createHash } from "node:crypto";
import { readSignature } from "../../ground/certificates/signature.ts";
import { readPropertyList } from "../packages/property-list.ts";

/** What a program for Apple's systems says of itself by its signature. */
export interface CodeSignature {
  /** What it is signed as. */
  identifier: string;
  team?: string;
  entitlements: Readonly<Record<string, unknown>>;
  /** The signer's, DER; absent where it is signed by nobody, so that it runs on the machine alone that built it. */
  certificate?: Uint8Array;
  /** Whether the program is as it was signed. */
  holds: boolean | undefined;
  /** Sums of what lies beside it, as they were signed: by these numbers of its slots, as hexadecimal digits. */
  slots: Readonly<Record<keyof typeof slotNumbers, string | undefined>>;
  /** How these sums are made. */
  hash: "sha1" | "sha256" | "sha384";
}

/** Where sums of what lies beside a program stand, counted back from its pages (Apple, cs_blobs.h). */
const slotNumbers = { list: 1, resources: 3 } as const;

/** Marks of files and blobs (Apple, mach-o/loader.h, mach-o/fat.h, cs_blobs.h). */
const marks = {
  program: 0xfeedfacf,
  several: 0xcafebabe,
  signature: 0xfade0cc0,
  directory: 0xfade0c02,
  entitlements: 0xfade7171,
} as const;

const signatureCommand = 0x1d;

/** Blobs of a signature by their types. */
const types = { directory: 0, entitlements: 5, message: 0x10000 } as const;

const hashes = { 1: "sha1", 2: "sha256", 4: "sha384" } as const;

/** Most load commands, or blobs, that are followed. */
const most = 10_000;

/** Reads the signature of a program; undefined where it is no program, or has none. */
export async function readCodeSignature(bytes: Uint8Array): Promise<CodeSignature | undefined> {
  const program = programIn(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength));
  const blob = program && signatureIn(program);
  const blobs = blob && blobsIn(blob);
  const directory = blobs?.get(types.directory);
  if (!program || !directory || directory.readUInt32BE(0) !== marks.directory) return undefined;
  const said = directoryIn(directory);
  const own = blobs?.get(types.entitlements);
  const entitlements = own?.readUInt32BE(0) === marks.entitlements ? readPropertyList(own.subarray(8)) : undefined;
  const message = blobs?.get(types.message);
  const signature = message && message.length > 8 ? await readSignature(message.subarray(8)) : undefined;
  const isWhole = said.isOver(program);
  return {
    ...said.names,
    entitlements: entitlements ?? {},
    ...(signature ? { certificate: signature.certificate } : {}),
    holds: isWhole && signature ? signature.isOver(directory) : isWhole,
    slots: { list: said.slot(slotNumbers.list), resources: said.slot(slotNumbers.resources) },
    hash: said.hash,
  };
}

/** The program itself; of several for different processors the last, which is the newest. */
function programIn(bytes: Buffer): Buffer | undefined {
  if (bytes.length < 32) return undefined;
  if (bytes.readUInt32LE(0) === marks.program) return bytes;
  if (bytes.readUInt32BE(0) !== marks.several) return undefined;
  const at = 8 + (bytes.readUInt32BE(4) - 1) * 20;
  if (at < 8 || at + 20 > bytes.length) return undefined;
  const [offset, size] = [bytes.readUInt32BE(at + 8), bytes.readUInt32BE(at + 12)];
  const one = bytes.subarray(offset, offset + size);
  return one.length >= 32 && one.readUInt32LE(0) === marks.program ? one : undefined;
}

function signatureIn(program: Buffer): Buffer | undefined {
  const count = Math.min(program.readUInt32LE(16), most);
  for (let index = 0, at = 32; index < count && at + 16 <= program.length; index++) {
    const [command, size] = [program.readUInt32LE(at), program.readUInt32LE(at + 4)];
    if (command === signatureCommand) {
      const offset = program.readUInt32LE(at + 8);
      return program.subarray(offset, offset + program.readUInt32LE(at + 12));
    }
    if (size < 8) return undefined;
    at += size;
  }
  return undefined;
}

/** Blobs of a signature, whole, by their types. */
function blobsIn(signature: Buffer): Map<number, Buffer> | undefined {
  if (signature.length < 12 || signature.readUInt32BE(0) !== marks.signature) return undefined;
  const found = new Map<number, Buffer>();
  const count = Math.min(signature.readUInt32BE(8), most);
  for (let index = 0; index < count && 20 + index * 8 <= signature.length; index++) {
    const [type, offset] = [signature.readUInt32BE(12 + index * 8), signature.readUInt32BE(16 + index * 8)];
    if (offset + 8 > signature.length) continue;
    found.set(type, signature.subarray(offset, offset + signature.readUInt32BE(offset + 4)));
  }
  return found;
}

/** Smallest page that code is signed by, in bytes (Apple, cs_blobs.h): smaller ones would be millions. */
const smallestPage = 4_096;

/** What a code directory says (Apple, cs_blobs.h, CS_CodeDirectory). */
function directoryIn(directory: Buffer) {
  const number = (at: number) => directory.readUInt32BE(at);
  const text = (at: number) => directory.toString("utf8", at, Math.max(at, directory.indexOf(0, at)));
  const [version, offset, pages, limit] = [number(8), number(16), number(28), number(32)];
  const size = directory.readUInt8(36);
  const hash = hashes[directory.readUInt8(37) as keyof typeof hashes] ?? "sha256";
  const page = 2 ** directory.readUInt8(39);
  const sumAt = (index: number) => directory.subarray(offset + index * size, offset + (index + 1) * size);
  const team = version >= 0x20200 && number(48) > 0 ? text(number(48)) : undefined;
  return {
    hash,
    names: { identifier: text(number(20)), ...(team === undefined ? {} : { team }) },
    slot: (index: number) => (index <= number(24) ? sumAt(-index).toString("hex") : undefined),
    isOver(program: Buffer): boolean {
      if (page < smallestPage || pages !== Math.ceil(limit / page) || limit > program.length) return false;
      return Array.from({ length: pages }, (_, index) => index).every((index) => {
        const piece = program.subarray(index * page, Math.min((index + 1) * page, limit));
        return createHash(hash).update(piece).digest().subarray(0, size).equals(sumAt(index));
      });
    },
  };
}
