import type { Shape } from "./shaped.ts";

/** How a language writes texts and comments: enough to tell code from what stands in quotes. */
interface Lexical {
  files: RegExp;
  comments: RegExp;
  /** Quotes that begin a text, longest first, with how a text within is read back. */
  quotes: readonly { mark: string; read: (raw: string) => string; isLong?: true }[];
  /** What looks like a text, and is a character or the name of a lifetime. */
  others?: RegExp;
  /** How a quote stands within a text: behind a backslash where nothing else is said, twice, or behind `$\\`. */
  within?: "twice" | "dollar";
}

const known: Readonly<Record<string, string>> = { n: "\n", t: "\t", r: "\r", "0": "\0", b: "\b", f: "\f" };

/** A text with these characters behind a backslash; what else stands behind one is no text of the language. */
const escaped =
  (letters: string) =>
  (raw: string): string =>
    raw.replace(/\\(?:u\{?([0-9a-fA-F]{1,6})\}?|x([0-9a-fA-F]{2})|([\s\S]))/g, (whole, unicode, hex, letter) => {
      if (unicode ?? hex) return String.fromCodePoint(Number.parseInt(unicode ?? hex, 16));
      if (!letters.includes(letter)) return whole;
      return known[letter] ?? letter;
    });

const literal = (raw: string): string => raw;
const cComments = /\/\/[^\n]*|\/\*[\s\S]*?\*\//y;
const hashComments = /#[^\n]*/y;
const c = escaped("ntr0bf\\\"'");
/** Within single quotes nothing but the quote and the backslash is written otherwise (Ruby, PHP). */
const onlyItself = (raw: string): string => raw.replace(/\\(['\\])/g, "$1");
const character = /'(?:\\.[^']{0,8}|[^'\\\n])'/y;

/** A dollar sign is written twice, and leads what cannot stand by itself. */
const ofInstaller = (raw: string): string =>
  raw.replace(/\$(?:\\([nrt"'`])|\$)/g, (_, letter?: string) => (letter ? (known[letter] ?? letter) : "$"));

const languages: readonly Lexical[] = [
  {
    files: /\.(kts?|swift|scala)$/,
    comments: cComments,
    quotes: [
      { mark: '"""', read: literal, isLong: true },
      { mark: '"', read: escaped("ntr0bf\\\"'$") },
    ],
    others: character,
  },
  {
    files: /\.(gradle|groovy|dart)$/,
    comments: cComments,
    quotes: [
      { mark: '"""', read: literal, isLong: true },
      { mark: "'''", read: literal, isLong: true },
      { mark: '"', read: escaped("ntr0bf\\\"'$") },
      { mark: "'", read: escaped("ntr0bf\\\"'$") },
    ],
  },
  {
    files: /\.(java|c|cc|cpp|cxx|h|hh|hpp|mm?|cs|qml|vala|nut|nfo|proto|glsl|metal)$/,
    comments: cComments,
    quotes: [{ mark: '"', read: c }],
    others: character,
  },
  {
    files: /\.(lua|(gui_|render_)?script)$/,
    comments: /--\[\[[\s\S]*?\]\]|--[^\n]*/y,
    quotes: [
      { mark: '"', read: c },
      { mark: "'", read: c },
    ],
  },
  {
    files: /\.rs$/,
    comments: cComments,
    quotes: [{ mark: '"', read: c }],
    others: /'(?:\\.[^']{0,8}|[^'\\\n])'|'\w+/y,
  },
  {
    files: /\.go$/,
    comments: cComments,
    quotes: [
      { mark: "`", read: literal, isLong: true },
      { mark: '"', read: escaped('ntr0bf\\"') },
    ],
    others: character,
  },
  {
    files: /\.php$/,
    comments: /\/\/[^\n]*|#[^\n]*|\/\*[\s\S]*?\*\//y,
    quotes: [
      { mark: '"', read: escaped('ntr0bf\\"$') },
      { mark: "'", read: onlyItself },
    ],
  },
  {
    files: /\.rb$|(^|\/)(Podfile|Gemfile|Rakefile)$|\.podspec$/,
    comments: hashComments,
    quotes: [
      { mark: '"', read: escaped('ntr0bf\\"#') },
      { mark: "'", read: onlyItself },
    ],
  },
  {
    files: /\.(py|gd)$/,
    comments: hashComments,
    quotes: [
      { mark: '"""', read: literal, isLong: true },
      { mark: "'''", read: literal, isLong: true },
      { mark: '"', read: c },
      { mark: "'", read: c },
    ],
  },
  {
    files: /(^|\/)CMakeLists\.txt$|\.cmake$/,
    comments: hashComments,
    quotes: [{ mark: '"', read: escaped('ntr\\"$') }],
  },
  // Scenes and settings of a game engine.
  { files: /\.(tscn|tres|godot|cfg)$/, comments: /^;[^\n]*/my, quotes: [{ mark: '"', read: escaped('ntr\\"') }] },
  // Translations (GNU gettext manual, "The Format of PO Files").
  { files: /\.pot?$/, comments: hashComments, quotes: [{ mark: '"', read: escaped('ntr\\"') }] },
  // A quote is doubled (Microsoft, resource-definition statements).
  {
    files: /\.rc2?$/i,
    comments: cComments,
    quotes: [{ mark: '"', read: (raw) => c(raw.replaceAll('""', '"')) }],
    within: "twice",
  },
  // Basic (Microsoft, Visual Basic language specification, string literals).
  {
    files: /\.(vb|bas)$/i,
    comments: /(?:'|\bREM\b)[^\n]*/iy,
    quotes: [{ mark: '"', read: (raw) => raw.replaceAll('""', '"') }],
    within: "twice",
  },
  // An installer's script (NSIS manual, "Strings").
  {
    files: /\.ns[hi]$/i,
    comments: /[;#][^\n]*|\/\*[\s\S]*?\*\//y,
    quotes: ['"', "'", "`"].map((mark) => ({ mark, read: ofInstaller })),
    within: "dollar",
  },
];

/** Code by its texts and what stands between them; undefined where the language is not known, or a text has no end. */
export function lexicalShape(file: string, text: string): Shape | undefined {
  const language = languages.find(({ files }) => files.test(file));
  if (!language) return undefined;
  const values: string[] = [];
  const shape: string[] = [];
  const isRead = lex(language, text, ({ kind, text: own, quote }) => {
    // Of comments only that they are there: a name in one is nobody's.
    if (kind === "comment") shape.push("#");
    else if (!quote) shape.push(own);
    else {
      values.push(quote.read(own));
      shape.push(quote.mark, quote.mark);
    }
  });
  return isRead ? { shape: shape.join(""), values } : undefined;
}

/**
 * Where lines begin at which neither a text nor a comment goes on, in their order, and the end of all; undefined where
 * the language is not known, or a text has no end. From one to another, code is read as by itself.
 */
export function lexicalSeams(file: string, text: string): readonly number[] | undefined {
  const language = languages.find(({ files }) => files.test(file));
  if (!language) return undefined;
  const seams = [0];
  const isRead = lex(language, text, ({ end, kind }) => {
    if (kind === "code" && text[end - 1] === "\n") seams.push(end);
  });
  return isRead ? [...seams, text.length] : undefined;
}

/** A piece of code: a character of it, a comment, a text without its quotes, or what looks like one. */
interface Piece {
  kind: "code" | "comment" | "other" | "text";
  text: string;
  end: number;
  quote?: Lexical["quotes"][number];
}

/** Reads code piece by piece. @returns whether every text has an end */
function lex({ comments, quotes, others, within }: Lexical, text: string, take: (piece: Piece) => void): boolean {
  for (let at = 0; at < text.length; ) {
    const comment = matchAt(comments, text, at);
    const skipped = comment ?? (others && matchAt(others, text, at));
    const quote = skipped === undefined ? quotes.find(({ mark }) => text.startsWith(mark, at)) : undefined;
    if (skipped !== undefined) {
      at += skipped.length;
      take({ kind: comment === undefined ? "other" : "comment", text: skipped, end: at });
    } else if (quote) {
      const from = at + quote.mark.length;
      const end = endOf(text, from, quote.mark, quote.isLong === true, within);
      if (end === -1) return false;
      at = end + quote.mark.length;
      take({ kind: "text", text: text.slice(from, end), end: at, quote });
    } else take({ kind: "code", text: text[at++] ?? "", end: at });
  }
  return true;
}

function matchAt(form: RegExp, text: string, at: number): string | undefined {
  form.lastIndex = at;
  return form.exec(text)?.[0] || undefined;
}

/** Where a text ends; -1 where it does not, or not in its line. */
function endOf(text: string, from: number, mark: string, isLong: boolean, within: Lexical["within"]): number {
  for (let at = from; at < text.length; at++) {
    if (!isLong && text[at] === "\n") return -1;
    if (within === "dollar" ? text.startsWith("$\\", at) : text[at] === "\\" && !within && mark !== "`")
      at += within === "dollar" ? 2 : 1;
    else if (text.startsWith(mark, at)) {
      if (within !== "twice" || text[at + 1] !== mark) return at;
      at++;
    }
  }
  return -1;
}
