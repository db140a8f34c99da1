/** How a value is written in one format. What cannot be written at all in XML (control characters) is left out. */
const writers = {
  "xml-text": (value: string) => escapeXml(value),
  "xml-attribute": (value: string) => escapeXml(value).replace(/["'\t\n\r]/g, (c) => `&#${c.charCodeAt(0)};`),
  "android-string": (value: string) => escapeXml(androidString(value)),
  "gradle-double": (value: string) => gradleDouble(value),
  "gradle-single": (value: string) => gradleSingle(value),
  /** A whole literal, quotes included. */
  "gradle-quoted": (value: string) => `"${gradleDouble(value)}"`,
  "gradle-number": (value: string) => value,
  openstep: (value: string) =>
    /^[A-Za-z0-9_./]+$/.test(value) ? value : `"${escapeC(value, "U").replace(/"/g, '\\"')}"`,
  "openstep-quoted": (value: string) => `"${escapeC(value, "U").replace(/"/g, '\\"')}"`,
  /** A string resource that a build script writes, to which Android's own escaping applies as well. */
  "gradle-double-resource": (value: string) => gradleDouble(androidString(value)),
  "gradle-single-resource": (value: string) => gradleSingle(androidString(value)),
  json: (value: string) => JSON.stringify(value),
  /** A basic string is JSON's but for one character (TOML 1.0, strings); what no character can be is replaced. */
  toml: (value: string) => JSON.stringify(value.toWellFormed()).replaceAll("\u007f", "\\u007f"),
  /** Behind a key's colon, where nothing stood. */
  "yaml-empty": (value: string) => ` ${JSON.stringify(value)}`,
  properties: (value: string) => javaProperty(value),
  /** Two slashes would begin a comment; an empty variable between them keeps them apart. No value holds a line end. */
  xcconfig: (value: string) =>
    value
      .replace(/\s*[\r\n]+\s*/g, " ")
      .trim()
      .replace(/\/(?=\/)/g, "/$()"),
  env: (value: string) => (/^[\w.@:/+-]*$/.test(value) ? value : `"${value.replace(/[\\"$`]/g, "\\$&")}"`),
  /** A custom property's value as it is, where it can be that; else as a string. */
  css: (value: string) => (isPlainCss(value) ? value : cssString(value, '"')),
  "css-double": (value: string) => cssString(value, '"'),
  "css-single": (value: string) => cssString(value, "'"),
  "code-double": (value: string) => codeString(value, '"'),
  "code-single": (value: string) => codeString(value, "'"),
  "code-template": (value: string) => codeString(value, "`").replaceAll("${", "\\${"),
  /** A string of a Windows resource script; a quote is doubled (Microsoft, resource-definition statements). */
  "resource-string": (value: string) => `"${escapeC(value).replaceAll('"', '""')}"`,
  /** A value of a line in a script that is a string of C. */
  "c-string": (value: string) => `"${escapeC(value).replaceAll('"', '\\"')}"`,
  /** A string of Basic, in which nothing but the quote is written otherwise, by two of it. */
  "basic-string": (value: string) => `"${oneLine(value).replaceAll('"', '""')}"`,
  /**
   * Within a text that stands in quotes, or in none: of code that puts values in behind a dollar sign, and of code
   * that does not.
   */
  "code-inner": (value: string) => codeInner(value).replaceAll("$", "\\$"),
  "plain-code-inner": (value: string) => quotedInner(value),
  /** The same, where a dollar sign begins code and a backtick is written as it is (Kotlin, Groovy, Dart). */
  "dollar-inner": (value: string) => quotedInner(value).replaceAll("$", "\\$"),
  /** Of a language in which nothing but the quote and the backslash is written otherwise between single quotes. */
  "single-inner": (value: string) => value.replace(/[\\']/g, "\\$&").replace(/\s*[\r\n]+\s*/g, " "),
  /** Between double quotes, where a hash sign with a brace behind it is code (Ruby), or a dollar sign (PHP). */
  "ruby-inner": (value: string) => escapeC(value.toWellFormed()).replace(/["#]/g, "\\$&"),
  "php-inner": (value: string) => escapeC(value.toWellFormed()).replace(/["$]/g, "\\$&"),
  /** Between double quotes alone, where no other quote may be escaped (Go). */
  "double-inner": (value: string) => escapeC(value.toWellFormed()).replace(/"/g, '\\"'),
  "resource-inner": (value: string) => escapeC(value).replaceAll('"', '""'),
  "basic-inner": (value: string) => oneLine(value).replaceAll('"', '""'),
  /** In a script of Inno Setup a brace opens a constant, unless it stands twice; in quotes a quote does too. */
  "setup-inner": (value: string) => {
    const text = oneLine(value).replaceAll("{", "{{");
    // What stands in quotes there is read without them.
    return /^".*"$/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
  },
  "setup-quoted-inner": (value: string) => oneLine(value).replaceAll("{", "{{").replaceAll('"', '""'),
  /** In one of NSIS a dollar sign stands twice, and a quote behind one with a backslash. */
  "nsis-inner": (value: string) => oneLine(value).replaceAll("$", "$$$$").replace(/["'`]/g, "$\\$&"),
  "json-inner": (value: string) => JSON.stringify(value).slice(1, -1),
  /** One line of a text that is nobody's format. */
  line: (value: string) => oneLine(value),
  raw: (value: string) => value,
  "html-text": (value: string) => escapeHtml(value).replace(/</g, "&lt;").replace(/>/g, "&gt;"),
  "html-attribute": (value: string) =>
    escapeHtml(value).replace(/"/g, "&quot;").replace(/'/g, "&#39;").replace(/</g, "&lt;"),
  "html-unquoted": (value: string) => `"${escapeHtml(value).replace(/"/g, "&quot;")}"`,
} satisfies Record<string, (value: string) => string>;

export type Form = keyof typeof writers;

/** Writes a value in a form, escaped so that the format's own parser reads back the same value. */
export const write = (form: Form, value: string): string => writers[form](value);

/** A string of JavaScript (ECMAScript, string literals): what is no character stands by its number. */
const codeString = (value: string, quote: string): string =>
  quote +
  escapeC(value.toWellFormed())
    .replaceAll(quote, `\\${quote}`)
    .replace(/[\u2028\u2029]/g, unicodeEscape) +
  quote;

const quotedInner = (value: string): string => escapeC(value.toWellFormed()).replace(/["']/g, "\\$&");

const codeInner = (value: string): string => escapeC(value.toWellFormed()).replace(/["'`]/g, "\\$&");

const gradleDouble = (value: string): string => escapeC(value).replace(/"/g, '\\"').replace(/\$/g, "\\$");

const gradleSingle = (value: string): string => escapeC(value).replace(/'/g, "\\'");

/** What means something else everywhere in a page; a carriage return as it is would be read as a line feed. */
const escapeHtml = (value: string): string => value.replace(/&/g, "&amp;").replace(/\r/g, "&#13;");

/** Whether nothing in it would end a declaration, or begin what has no end. */
const isPlainCss = (value: string): boolean =>
  /^\S(.*\S)?$/.test(value) && !/[;{}"'\\![\]<]|\/\*/.test(value) && /^[^()]*(\([^()]*\)[^()]*)*$/.test(value);

/**
 * A string of CSS (CSS Syntax, consume a string token): line ends and controls by number, which a blank ends; no NUL
 * can be.
 */
const cssString = (value: string, quote: string): string => {
  const escaped = value
    .toWellFormed()
    .replaceAll("\0", "\ufffd")
    .replaceAll("\\", "\\\\")
    .replaceAll(quote, `\\${quote}`)
    // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
    .replace(/[\u0001-\u001f\u007f]/g, (c) => `\\${c.charCodeAt(0).toString(16)} `);
  return `${quote}${escaped}${quote}`;
};

function escapeXml(value: string): string {
  return withoutControls(value)
    .replace(/&/g, "&amp;")
    .replace(/</g, "&lt;")
    .replace(/>/g, "&gt;")
    .replace(/\r/g, "&#13;");
}

/** XML 1.0 has no way to write these, not even escaped. */
const withoutControls = (value: string): string =>
  // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
  value.toWellFormed().replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, "");

/**
 * Android's own escaping of string resources (Android documentation, "String resources"): backslash, quotes, a leading
 * @ or ?, and blanks that would otherwise be folded.
 */
function androidString(value: string): string {
  const escaped = withoutControls(value)
    .replace(/\\/g, "\\\\")
    .replace(/'/g, "\\'")
    .replace(/"/g, '\\"')
    .replace(/\n/g, "\\n")
    .replace(/\t/g, "\\t")
    .replace(/\r/g, "\\u000D")
    .replace(/^[@?]/, "\\$&");
  return /^\s|\s$|\s\s|[\u00a0\u2000-\u200a\u202f\u205f\u3000]/.test(escaped)
    ? escaped.replace(/\s/g, unicodeEscape)
    : escaped;
}

/**
 * Java's Properties (Java SE, java.util.Properties, load): beyond ASCII everything is escaped, since readers differ
 * in the encoding they take.
 */
const javaProperty = (value: string): string =>
  value
    .replace(
      /[\\\n\r\t\f]|^ /g,
      (c) => ({ "\\": "\\\\", "\n": "\\n", "\r": "\\r", "\t": "\\t", "\f": "\\f" })[c] ?? "\\ ",
    )
    .replace(/[^\x20-\x7e]/g, unicodeEscape);

const unicodeEscape = (c: string): string =>
  c === " " ? "\\u0020" : `\\u${c.charCodeAt(0).toString(16).toUpperCase().padStart(4, "0")}`;

/** @param code the letter before a character's number. */
function escapeC(value: string, code: "u" | "U" = "u"): string {
  return (
    value
      .replace(/\\/g, "\\\\")
      .replace(/\n/g, "\\n")
      .replace(/\r/g, "\\r")
      .replace(/\t/g, "\\t")
      // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
      .replace(/[\u0000-\u001f]/g, (c) => `\\${code}${c.charCodeAt(0).toString(16).padStart(4, "0")}`)
  );
}

const oneLine = (value: string): string => value.replace(/\s*[\r\n]+\s*/g, " ");
