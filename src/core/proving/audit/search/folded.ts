/** A text as people see it, and where in the text as it is written each part of it stands. */
export interface Folded {
  text: string;
  /** Offset in the text as it is written. */
  at(offset: number): number;
}

/** Elements within a line (HTML, phrasing content): what stands on both sides of their tags is one text. */
const inline = "a|abbr|b|bdi|bdo|br|cite|code|em|font|i|mark|q|s|small|span|strong|sub|sup|tspan|u|wbr";

/** Whatever is written otherwise than it is seen: escapes of programs, of markup, of addresses; marks of no width. */
const otherwise = [
  "\\\\(?:u\\{(?<brace>[0-9a-fA-F]{1,6})\\}|[uU](?<four>[0-9a-fA-F]{4})|x(?<two>[0-9a-fA-F]{2}))",
  "&#(?:[xX](?<hex>[0-9a-fA-F]{1,6})|(?<decimal>\\d{1,7}));|&(?<name>[a-zA-Z]{2,8});",
  "(?<percents>(?:%[0-9a-fA-F]{2})+)",
  "[\\u00ad\\u034f\\u061c\\u180e\\u200b-\\u200f\\u202a-\\u202e\\u2060-\\u2064\\ufeff]",
  "[\\u00c0-\\u024f\\u0300-\\u036f\\u1e00-\\u1eff\\u2000-\\u200a\\u2100-\\u214f\\uff01-\\uff5e\\u3000]+",
];

const tags = `</?(?:${inline})(?:\\s[^<>]*)?/?>`;

const anyTag = new RegExp(tags);

/** Whether a text has tags within its lines. */
export const hasTags = (text: string): boolean => anyTag.test(text);

const forms = {
  /** What stands in tags is kept: addresses lead somewhere. */
  withTags: new RegExp(otherwise.join("|"), "g"),
  withoutTags: new RegExp([...otherwise, tags].join("|"), "g"),
} as const;

/** Characters by their names, as far as a name is written with them (HTML, named character references). */
const named: Readonly<Record<string, string>> = {
  ...{ nbsp: " ", ensp: " ", emsp: " ", thinsp: " ", shy: "", zwnj: "", zwj: "", lrm: "", rlm: "" },
  ...{ amp: "&", apos: "'", quot: '"', lt: "<", gt: ">", hyphen: "-", dash: "-", Tab: " ", NewLine: " " },
};

/** A text with everything undone that is not seen; undefined where nothing of that kind is in it. */
export function foldedText(text: string, form: keyof typeof forms = "withTags"): Folded | undefined {
  const parts: string[] = [];
  const starts: { folded: number; written: number }[] = [{ folded: 0, written: 0 }];
  let [from, length] = [0, 0];
  const push = (part: string) => {
    parts.push(part);
    length += part.length;
  };
  for (const match of text.matchAll(forms[form])) {
    const { index } = match;
    const seen = asSeen(match);
    if (seen === match[0]) continue;
    push(text.slice(from, index));
    starts.push({ folded: length, written: index });
    push(seen);
    from = index + match[0].length;
    starts.push({ folded: length, written: from });
  }
  if (from === 0) return undefined;
  push(text.slice(from));
  return {
    text: parts.join(""),
    at(offset) {
      let [low, high] = [0, starts.length - 1];
      while (low < high) {
        const middle = (low + high + 1) >> 1;
        if ((starts[middle]?.folded ?? 0) <= offset) low = middle;
        else high = middle - 1;
      }
      const { folded, written } = starts[low] ?? { folded: 0, written: 0 };
      return Math.min(written + (offset - folded), text.length);
    },
  };
}

function asSeen({ 0: whole, groups = {} }: RegExpMatchArray): string {
  const { brace, four, two, hex, decimal, name, percents } = groups;
  const code = brace ?? four ?? two ?? hex;
  if (code !== undefined) return characterOf(Number.parseInt(code, 16), whole);
  if (decimal !== undefined) return characterOf(Number(decimal), whole);
  if (name !== undefined) return named[name] ?? whole;
  if (percents !== undefined) return decoded(percents);
  // Full width, ligatures and accents, as plain letters.
  return whole.startsWith("<") ? "" : plainLetters(whole);
}

const plainLetters = (text: string): string => text.normalize("NFKD").replace(/[\p{M}\p{Cf}]/gu, "");

const characterOf = (code: number, otherwise: string): string =>
  code > 0 && code <= 0x10ffff
    ? String.fromCodePoint(code)
        .normalize("NFKD")
        .replace(/[\p{M}\p{Cf}]/gu, "")
    : otherwise;

function decoded(percents: string): string {
  try {
    return decodeURIComponent(percents)
      .normalize("NFKD")
      .replace(/[\p{M}\p{Cf}]/gu, "");
  } catch {
    return percents;
  }
}
