import { createHash } from "node:crypto";
import { readSignature } from "../../ground/certificates/signature.ts";
import { attempted } from "../../ground/values/attempted.ts";
import { type ProgramResources, resourcesIn } from "./program-resources.ts";

/** What a program for Windows says of itself. */
export interface WindowsProgram extends ProgramResources {
  /** The signer's, DER. */
  certificate?: Uint8Array;
  /** Whether it is as it was signed; undefined where it is not signed, or in a way unknown here. */
  holds: boolean | undefined;
}

/** Reads a program; undefined where it is none. */
export async function readWindowsProgram(bytes: Uint8Array): Promise<WindowsProgram | undefined> {
  const data = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const header = headerOf(data);
  if (!header) return undefined;
  const signed = await signatureIn(data, header);
  const { optional, isOf64 } = header;
  return { ...(attempted(() => resourcesIn(data, optional, isOf64)) ?? { said: {}, icons: [] }), ...signed };
}

/** Where things of a program stand that its signature leaves out, as offsets (Microsoft, PE Format). */
interface Header {
  optional: number;
  isOf64: boolean;
  checksum: number;
  /** The entry of the directory that says where certificates lie. */
  entry: number;
}

function headerOf(data: Buffer): Header | undefined {
  if (data.length < 64 || data.toString("latin1", 0, 2) !== "MZ") return undefined;
  const at = data.readUInt32LE(60);
  if (at + 24 + 168 > data.length || data.toString("latin1", at, at + 4) !== "PE\0\0") return undefined;
  const optional = at + 24;
  const isOf64 = data.readUInt16LE(optional) === 0x20b;
  return { optional, isOf64, checksum: optional + 64, entry: optional + (isOf64 ? 144 : 128) };
}

async function signatureIn(
  data: Buffer,
  { checksum, entry }: Header,
): Promise<Pick<WindowsProgram, "certificate" | "holds">> {
  const [table, size] = [data.readUInt32LE(entry), data.readUInt32LE(entry + 4)];
  // Each certificate has its length, its revision and its kind before it.
  if (size <= 8 || table + size > data.length) return { holds: undefined };
  const signature = await readSignature(data.subarray(table + 8, table + data.readUInt32LE(table)));
  if (!signature?.enclosed) return { holds: undefined };
  const { certificate, enclosed } = signature;
  const parts = [data.subarray(0, checksum), data.subarray(checksum + 4, entry), data.subarray(entry + 8, table)];
  const isSame = ["sha256", "sha384", "sha1"].some((hash) => {
    const sum = createHash(hash);
    for (const part of parts) sum.update(part);
    return Buffer.from(enclosed).includes(sum.digest());
  });
  return { certificate, holds: isSame ? signature.isOver(enclosed) : false };
}
