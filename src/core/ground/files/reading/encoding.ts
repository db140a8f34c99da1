/** How a text file's characters are written as bytes. */
type Encoding = "utf-8" | "utf-16le" | "utf-16be";

/** Told by the mark at a file's start; without one it is UTF-8. */
const encodingOf = (bytes: Uint8Array): Encoding =>
  bytes[0] === 0xff && bytes[1] === 0xfe ? "utf-16le" : bytes[0] === 0xfe && bytes[1] === 0xff ? "utf-16be" : "utf-8";

const decoders: Readonly<Record<Encoding, TextDecoder>> = {
  "utf-8": new TextDecoder("utf-8", { fatal: true, ignoreBOM: true }),
  "utf-16le": new TextDecoder("utf-16le", { fatal: true, ignoreBOM: true }),
  "utf-16be": new TextDecoder("utf-16be", { fatal: true, ignoreBOM: true }),
};

/** The text of a file, its mark at the start included; undefined where the bytes are no text. */
export function decodeText(bytes: Uint8Array): string | undefined {
  try {
    return decoders[encodingOf(bytes)].decode(bytes);
  } catch {
    return undefined;
  }
}

/** A changed text as bytes, in the encoding that the file had. */
export function encodedLike(before: Uint8Array, text: string): string | Uint8Array {
  const encoding = encodingOf(before);
  if (encoding === "utf-8") return text;
  const bytes = Buffer.from(text, "utf16le");
  return encoding === "utf-16be" ? bytes.swap16() : bytes;
}

/** Whether bytes are text in an encoding whose mark stands at their start. */
export const isMarked = (bytes: Uint8Array): boolean => encodingOf(bytes) !== "utf-8";
