import { isRefused, type Refused, type StoreDoor } from "./door.ts";

/** Reads so many bytes of a file of the workspace, from a place on; and how large it is. */
export interface FileReader {
  sizeOf(file: string): number;
  part(file: string, from: number, length: number): Uint8Array;
}

/** So many bytes go over the wire at a time. */
const partSize = 4 * 1024 * 1024;

/** Sends a file to a store, from where it stopped before; nothing where it is there. Returns why it was refused. */
export async function sendFile(
  door: StoreDoor,
  { sum, file, kind, size = undefined }: { sum: string; file: string; kind: string; size?: number | undefined },
  read: FileReader,
): Promise<Refused | undefined> {
  const whole = size ?? read.sizeOf(file);
  const begin = { method: "POST" as const, path: "/uploads", body: { sum, size: whole, kind } };
  let state = await door.upload(begin);
  let before = -1;
  while (!isRefused(state) && !state.isWhole) {
    // A store that takes nothing more of it has lost it, or never will.
    if (state.received <= before)
      return { wrong: `${file} does not arrive: it stops at byte ${state.received}.`, isChanged: false };
    before = state.received;
    const bytes = read.part(file, state.received, Math.min(partSize, whole - state.received));
    state = await door.upload({ method: "PUT", path: `/uploads/${sum}?from=${state.received}`, bytes });
  }
  return isRefused(state) ? state : undefined;
}
