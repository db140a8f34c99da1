/** Where the header has the number of strings, and where their places stand (Android, Dalvik executable format). */
const header = { count: 56, places: 60 } as const;

/** Most strings that are read. */
const most = 2_000_000;

/** What names a type, a method's form, or a file of the source: only code refers to it. */
const isOfCode = (text: string): boolean => /^\[*L[\w/$<>-]+;$|^[VZBSCIJFDL[]+$|\.(java|kt)$/.test(text);

/** The texts of compiled code, without those by which code calls itself; undefined where it is none. */
export function textsOfCode(bytes: Uint8Array): string[] | undefined {
  const data = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (data.length < 112 || data.toString("latin1", 0, 4) !== "dex\n") return undefined;
  const [count, places] = [Math.min(data.readUInt32LE(header.count), most), data.readUInt32LE(header.places)];
  const all: string[] = [];
  // Texts lie one behind the other: all of them are no longer than the file, unless some are told again and again.
  let room = data.length;
  for (let index = 0; index < count && room > 0 && places + index * 4 + 4 <= data.length; index++) {
    let at = data.readUInt32LE(places + index * 4);
    // How many characters comes first, seven bits a byte; the text ends with a zero.
    while (at < data.length && data.readUInt8(at) & 0x80) at++;
    const end = data.indexOf(0, at + 1);
    if (end === -1 || at >= data.length) continue;
    room -= end - at;
    const text = data.toString("utf8", at + 1, end);
    if (!isOfCode(text)) all.push(text);
  }
  return all;
}
