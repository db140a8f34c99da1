import { Parser } from "tar";
import { attempted } from "../../ground/values/attempted.ts";
import { heldFiles, mostOf, type PackageFiles } from "./files.ts";

/** Opens a tape archive (POSIX, pax; GNU's long names too); undefined where it is none. Links in it lead nowhere. */
export function openTar(bytes: Uint8Array): PackageFiles | undefined {
  const all: [string, Uint8Array][] = [];
  let room = mostOf.unpacked;
  const parser = new Parser({
    strict: true,
    onReadEntry(entry) {
      const parts: Buffer[] = [];
      entry.on("data", (part: Buffer) => {
        room -= part.length;
        if (room > 0) parts.push(part);
      });
      entry.on("end", () => {
        if (/File$/.test(entry.type)) all.push([entry.path, Buffer.concat(parts)]);
      });
    },
  });
  // It fails in the middle of what is no archive, or is cut short.
  let isBroken = false;
  parser.on("error", () => {
    isBroken = true;
  });
  attempted(() => parser.end(Buffer.from(bytes)));
  return isBroken ? undefined : heldFiles(all);
}
