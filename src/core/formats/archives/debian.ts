import { heldFiles, type PackageFiles } from "./files.ts";
import { openTar } from "./tar.ts";
import { unpacked } from "./unpacked.ts";

const mark = "!<arch>\n";

/** Header of a member (deb(5), ar): name, and at its place the size in decimal digits. */
const header = { size: 60, name: 16, length: [48, 58] } as const;

/** Members of a common archive, in order; ends where one does not fit. */
function* membersIn(bytes: Buffer): Generator<readonly [name: string, content: Buffer]> {
  for (let at = mark.length; at + header.size <= bytes.length; ) {
    const name = bytes
      .toString("latin1", at, at + header.name)
      .trim()
      .replace(/\/$/, "");
    const size = Number(bytes.toString("latin1", at + header.length[0], at + header.length[1]).trim());
    const from = at + header.size;
    if (!Number.isInteger(size) || size < 0 || from + size > bytes.length) return;
    yield [name, bytes.subarray(from, from + size)];
    at = from + size + (size % 2);
  }
}

/**
 * Opens a package of Debian: its control files below `control/`, what it installs below `data/`. One whose parts are
 * packed in a way that is not unpacked here has these parts as they are.
 */
export async function openDebian(bytes: Uint8Array): Promise<PackageFiles | undefined> {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (buffer.toString("latin1", 0, mark.length) !== mark) return undefined;
  const opened = new Set<string>();
  const all: [string, Uint8Array][] = [];
  for (const [name, content] of membersIn(buffer)) {
    const [, part] = /^(control|data)\.tar(\.\w+)?$/.exec(name) ?? [];
    // It has one of each: a hundred of them could hold a hundred times as much as is unpacked.
    if (part !== undefined && opened.has(part)) continue;
    if (part !== undefined) opened.add(part);
    const plain = part === undefined ? undefined : await unpacked(content);
    const files = plain && openTar(plain);
    if (part === undefined || !files) all.push([name, content]);
    else for (const each of files.names) all.push([`${part}/${each}`, files.read(each) ?? new Uint8Array()]);
  }
  return heldFiles(all);
}
