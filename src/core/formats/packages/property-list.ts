import { parse } from "plist";
import { attempted } from "../../ground/values/attempted.ts";

/** A property list's values by their keys, from XML or the binary form; undefined where it is no list of keys. */
export function readPropertyList(bytes: Uint8Array): Record<string, unknown> | undefined {
  const read = attempted(() => parse(isBinary(bytes) ? bytes : Buffer.from(bytes).toString()));
  const isList = read !== null && typeof read === "object" && !Array.isArray(read);
  return isList ? (read as unknown as Record<string, unknown>) : undefined;
}

const isBinary = (bytes: Uint8Array): boolean => Buffer.from(bytes.subarray(0, 6)).toString("latin1") === "bplist";
