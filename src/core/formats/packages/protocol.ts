/** A field of a message in Protocol Buffers' wire format: a number, or bytes. */
export interface Field {
  number: number;
  value: number;
  bytes?: Uint8Array;
}

/** Fields of a message; ends where it is not one. */
export function* fieldsIn(bytes: Uint8Array): Generator<Field> {
  let at = 0;
  const varint = (): number => {
    let [value, shift] = [0, 1];
    for (;;) {
      const byte = bytes[at++];
      if (byte === undefined || shift > 2 ** 63) return -1;
      value += (byte & 0x7f) * shift;
      if (byte < 0x80) return value;
      shift *= 128;
    }
  };
  while (at < bytes.length) {
    const key = varint();
    const [number, wire] = [Math.floor(key / 8), key & 7];
    if (key < 8) return;
    if (wire === 0) yield { number, value: varint() };
    else if (wire === 1) at += 8;
    else if (wire === 5) at += 4;
    else if (wire === 2) {
      const length = varint();
      if (length < 0 || at + length > bytes.length) return;
      yield { number, value: 0, bytes: bytes.subarray(at, at + length) };
      at += length;
    } else return;
  }
}

/** Messages, or texts, that a message has by a number. */
export function* within(bytes: Uint8Array | undefined, number: number): Generator<Uint8Array> {
  if (bytes) for (const each of fieldsIn(bytes)) if (each.number === number && each.bytes) yield each.bytes;
}

/** The first of them. */
export const first = (bytes: Uint8Array | undefined, number: number): Uint8Array | undefined =>
  within(bytes, number).next().value;

/** A number that a message has; 0, which is not written, where it has none. */
export function numberIn(bytes: Uint8Array | undefined, number: number): number {
  if (bytes) for (const each of fieldsIn(bytes)) if (each.number === number && !each.bytes) return each.value;
  return 0;
}

export const textOf = (bytes: Uint8Array | undefined): string => Buffer.from(bytes ?? []).toString();
