import { randomBytes } from "node:crypto";

/**
 * A serial number for a certificate, in hexadecimal: 126 random bits (RFC 5280: positive, at most 20 bytes). Its first
 * digit is 4 to 7: with another, now and then, it would be negative or have a zero in front that DER does not allow.
 */
export function newSerial(): string {
  const bytes = randomBytes(16);
  bytes[0] = ((bytes[0] ?? 0) & 0x3f) | 0x40;
  return bytes.toString("hex");
}
