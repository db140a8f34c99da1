import { closeSync, constants, fstatSync, openSync, readSync } from "node:fs";

/** Opens what a listing showed as a file; a link that took its place since is not followed. */
const openPlain = (path: string): number => openSync(path, constants.O_RDONLY | noFollow | noWait);

const noFollow = constants.O_NOFOLLOW ?? 0;

/** A pipe in the place of a file keeps nobody waiting. */
const noWait = constants.O_NONBLOCK ?? 0;

/** Reads an open file from its beginning into a buffer; how many bytes there were, at most as many as it holds. */
function fill(descriptor: number, buffer: Buffer): number {
  let at = 0;
  while (at < buffer.length) {
    const wanted = buffer.length - at;
    const read = readSync(descriptor, buffer, at, wanted, at);
    at += read;
    // Less than was asked for is all that a file on a disk has left (POSIX, read).
    if (read < wanted) break;
  }
  return at;
}

/** Reads a file that a listing showed as one; undefined where it is larger than the limit, in bytes. */
export function readPlain(path: string, limit: number): Buffer | undefined {
  const descriptor = openPlain(path);
  try {
    const { size } = fstatSync(descriptor);
    if (size > limit) return undefined;
    const buffer = Buffer.allocUnsafeSlow(size);
    return buffer.subarray(0, fill(descriptor, buffer));
  } finally {
    closeSync(descriptor);
  }
}

/** Where files are read that are only compared. */
let room = Buffer.alloc(0);

/** Whether a file that a listing showed holds exactly these bytes. */
export function holds(path: string, bytes: Uint8Array): boolean {
  const wanted = bytes.length + 1; // one more would be read where there is one
  if (room.length < wanted) room = Buffer.allocUnsafeSlow(Math.max(wanted, 1 << 20));
  const descriptor = openPlain(path);
  try {
    const read = fill(descriptor, room.subarray(0, wanted));
    return read === bytes.length && room.compare(bytes, 0, bytes.length, 0, read) === 0;
  } finally {
    closeSync(descriptor);
  }
}
