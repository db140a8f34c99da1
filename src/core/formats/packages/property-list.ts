import { parse } from "plist";
import { attempt } from "../../ground/problems/result.ts";
import { attempted } from "../../ground/values/attempted.ts";
import { parseXml } from "../splice/formats/xml.ts";

/** A property list's values by their keys, from XML or the binary form; undefined where it is no list of keys. */
export function readPropertyList(bytes: Uint8Array): Record<string, unknown> | undefined {
  const text = isBinary(bytes) ? undefined : Buffer.from(bytes).toString();
  // Of what is not well-formed the reader prints complaints of its own.
  if (text !== undefined && !attempt(() => parseXml({ file: "", text })).ok) return undefined;
  const read = attempted(() => parse(text ?? bytes));
  const isList = read !== null && typeof read === "object" && !Array.isArray(read);
  return isList ? (read as unknown as Record<string, unknown>) : undefined;
}

const isBinary = (bytes: Uint8Array): boolean => Buffer.from(bytes.subarray(0, 6)).toString("latin1") === "bplist";
