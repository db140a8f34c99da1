import { analyse } from "chardet";
import iconv from "iconv-lite";
import { refuse } from "../../ground/problems/result.ts";

/** A sheet's text, and the encoding that it was taken for where nothing in it says so. */
export interface Decoded {
  text: string;
  guessed?: string;
}

/** How sure the detector has to be, and how much surer than of the next, of 100. */
const sure = { least: 60, ahead: 20 };

/** UTF-8 and UTF-16 by their marks; UTF-8 where it is valid; otherwise as it is said, or recognised, or asked for. */
export function decodeSheet(bytes: Uint8Array, shown: string, said?: string): Decoded {
  const buffer = Buffer.from(bytes);
  if (said !== undefined) return { text: iconv.decode(buffer, knownEncoding(said)) };
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { text: new TextDecoder("utf-16le").decode(bytes) };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { text: new TextDecoder("utf-16be").decode(bytes) };
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes) };
  } catch {
    return guess(buffer, shown);
  }
}

function knownEncoding(encoding: string): string {
  if (iconv.encodingExists(encoding)) return encoding;
  return refuse("sheet-encoding", `No encoding is called "${encoding}".`, {
    expected: "a name such as windows-1252, windows-1251, shift_jis or macintosh",
    fix: "Name the encoding with --encoding.",
  });
}

function guess(buffer: Buffer, shown: string): Decoded {
  const [first, second] = analyse(buffer);
  if (
    first &&
    first.confidence >= sure.least &&
    first.confidence - (second?.confidence ?? 0) >= sure.ahead &&
    iconv.encodingExists(first.name)
  )
    return { text: iconv.decode(buffer, first.name), guessed: first.name };
  const western = iconv.decode(buffer, "windows-1252");
  if (isWestern(western)) return { text: western, guessed: "windows-1252" };
  return refuse("sheet-encoding", `${shown} is not UTF-8, and what else it is cannot be told for sure.`, {
    expected: candidates.map((encoding) => `${encoding} reads "${sample(iconv.decode(buffer, encoding))}"`).join(", "),
  });
}

/** Encodings in which a cell is shown where nobody can tell. */
const candidates = ["windows-1252", "windows-1250", "windows-1251", "macintosh", "shift_jis", "gb18030"];

/** The first words that are read otherwise in each encoding. */
const sample = (text: string): string => (/[^\n,;\t"]*\P{ASCII}[^\n,;\t"]*/u.exec(text)?.[0] ?? "").trim().slice(0, 24);

/** Letters and marks that the languages of Western Europe are written with. */
const westernMark = /[ÀÁÂÃÄÅÆÇÈÉÊËÌÍÎÏÐÑÒÓÔÕÖØÙÚÛÜÝÞßàáâãäåæçèéêëìíîïðñòóôõöøùúûüýþÿŒœ‘’“”–—€…™©®°·¡¿«»£§ªº]/u;

/**
 * Whether a text read as windows-1252 looks like one: such letters only, and in each word fewer of them than others.
 */
function isWestern(text: string): boolean {
  const words = text.match(/[^\s,;:."'()/&|-]+/gu) ?? [];
  return words.every((word) => {
    const letters = [...word];
    const foreign = letters.filter((letter) => letter > "~");
    if (foreign.length === 0) return true;
    const strange = foreign.filter((letter) => /\p{L}/u.test(letter));
    return foreign.every((letter) => westernMark.test(letter)) && strange.length * 2 <= letters.length;
  });
}
