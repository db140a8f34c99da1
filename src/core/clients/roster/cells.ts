import { countryNamed } from "../../ground/values/country.ts";
import { languageNamed, languageTagOf } from "../../ground/values/language.ts";
import { tickOf, yesOrNo } from "../../ground/values/yes-or-no.ts";
import { choiceSaid } from "../../stores/choice-words.ts";

/** How a cell is brought into the form that a brief has, and how a brief's value is written into a cell. */
export interface CellForm {
  read(cell: string): unknown;
  write(value: unknown): string;
}

const plainly = (value: unknown): string =>
  value === undefined || value === null ? "" : Array.isArray(value) ? value.join(", ") : String(value);

/** As it stands. */
export const text: CellForm = { read: (cell) => cell, write: plainly };

/** 1,204 and 1204.0 are both 1204; what is no number stays as it is, and is refused with the cell's own words. */
export const wholeNumber: CellForm = {
  read(cell) {
    const digits = cell.replace(/[,\s']/g, "");
    return /^\d+(\.0+)?$/.test(digits) ? Number.parseInt(digits, 10) : cell;
  },
  write: plainly,
};

/** 12.5 and 12,5 and 12.5 %. */
export const number: CellForm = {
  read(cell) {
    const plain = cell.replace(/\s*%$/, "").replace(/^(-?\d+),(\d+)$/, "$1.$2");
    return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : cell;
  },
  write: plainly,
};

/** People paste addresses: https://www.hill.example/shop is the domain hill.example. */
export const domain: CellForm = {
  read: (cell) =>
    cell
      .replace(/^[a-z]+:\/\//i, "")
      .replace(/[/?#].*$/, "")
      .replace(/^www\./i, "")
      .toLowerCase(),
  write: plainly,
};

/** Without the marks that people put before the lines of a list. */
const unmarked = (parts: readonly string[]): string[] =>
  parts.map((part) => part.replace(/^\s*(?:[-–*•·]\s+)?/u, "").trim()).filter(Boolean);

/** Separated by commas, semicolons or line breaks. */
export const list: CellForm = { read: (cell) => unmarked(cell.split(/[,;\r\n]/)), write: plainly };

/**
 * Entries that may have commas in them: a line each; where there is one line, separated by semicolons, and where there
 * are none, by commas.
 */
export const sentences: CellForm = {
  read: (cell) => unmarked(cell.split([/[\r\n]+/, /;/, /,/].find((each) => each.test(cell.trim())) ?? ",")),
  write(value) {
    if (!Array.isArray(value) || !value.some((each) => /[,;]/.test(String(each)))) return plainly(value);
    return value.length === 1 ? `${value[0]};` : value.join("\n");
  },
};

/** A text of one line, however many a cell has. */
export const line: CellForm = { read: (cell) => cell.replace(/\s*[\r\n]+\s*/g, " ").trim(), write: plainly };

/** Colours as people call them in German, French and Spanish, by what CSS calls them; English ones are CSS's own. */
const colorWords: Readonly<Record<string, string>> = {
  ...{ rot: "red", rouge: "red", rojo: "red", blau: "blue", bleu: "blue", azul: "blue", hellblau: "lightblue" },
  ...{ dunkelblau: "darkblue", "bleu clair": "lightblue", "bleu foncé": "darkblue", "azul claro": "lightblue" },
  ...{ "azul oscuro": "darkblue", grün: "green", vert: "green", verde: "green", hellgrün: "lightgreen" },
  ...{ dunkelgrün: "darkgreen", "vert clair": "lightgreen", "vert foncé": "darkgreen", "verde claro": "lightgreen" },
  ...{ "verde oscuro": "darkgreen", gelb: "yellow", jaune: "yellow", amarillo: "yellow", schwarz: "black" },
  ...{ noir: "black", negro: "black", weiß: "white", weiss: "white", blanc: "white", blanco: "white", grau: "gray" },
  ...{ gris: "gray", braun: "brown", brun: "brown", marron: "brown", marrón: "brown", violett: "purple" },
  ...{ lila: "purple", violet: "purple", morado: "purple", rosa: "pink", rose: "pink", türkis: "turquoise" },
  ...{ turquoise: "turquoise", turquesa: "turquoise", naranja: "orange", silber: "silver", argent: "silver" },
  ...{ plateado: "silver", dorado: "gold", doré: "gold" },
};

/**
 * With or without # in front; as three numbers, 27,73,101; as a word in one of four languages. Three digits alone are a
 * number.
 */
export const color: CellForm = {
  read(cell) {
    if (/^([0-9a-f]{3}|[0-9a-f]{6})$/i.test(cell) && !/^\d{3}$/.test(cell)) return `#${cell}`;
    const [, ...levels] = /^(\d{1,3})\s*[,;/ ]\s*(\d{1,3})\s*[,;/ ]\s*(\d{1,3})$/.exec(cell) ?? [];
    if (levels.length > 0 && levels.every((level) => Number(level) <= 255)) return `rgb(${levels.join(" ")})`;
    return colorWords[cell.toLowerCase()] ?? cell;
  },
  write: plainly,
};

/** A tag, or a language's name in English, German, French, Spanish or itself. */
export const language: CellForm = {
  read: (cell) => (/^[a-z]{2,3}([-_]|$)/i.test(cell) ? languageTagOf(cell) : undefined) ?? languageNamed(cell) ?? cell,
  write: plainly,
};

/** "Mara Lind <mara@hill.example>" and "mailto:mara@hill.example" are the address. */
export const address: CellForm = {
  read: (cell) => /<\s*(?:mailto:)?([^<>\s]+@[^<>\s]+?)\s*>/.exec(cell)?.[1] ?? cell.replace(/^mailto:/i, "").trim(),
  write: plainly,
};

/** A page: what begins with a host's name gets the scheme that it lacks. */
export const page: CellForm = {
  read: (cell) => (/^(?:[\p{L}\p{N}-]+\.)+[\p{L}]{2,}(?:[/?#]\S*)?$/u.test(cell) ? `https://${cell}` : cell),
  write: plainly,
};

/** 3.1.2027 is the third of January, as 31/12/2027 can be but one day; 3/1/2027 may be two, and stays as it is. */
export const dayOf: CellForm = {
  read(cell) {
    const [, first = "", mark, second = "", year] = /^(\d{1,2})([./])(\d{1,2})\2(\d{4})$/.exec(cell) ?? [];
    if (year === undefined) return cell;
    const isSure = mark === "." || Number(first) > 12;
    if (!isSure && Number(second) <= 12) return cell;
    const [day, month] = isSure ? [first, second] : [second, first];
    return `${year}-${month.padStart(2, "0")}-${day.padStart(2, "0")}`;
  },
  write: plainly,
};

/** One of a few words, however it is capitalized. */
export const word: CellForm = { read: (cell) => cell.toLowerCase(), write: plainly };

/** One of the words that a question offers, however it is capitalized; a box with or without a tick for yes and no. */
export function optionOf(options: readonly string[]): CellForm {
  const tick = tickOf(options);
  const same = (cell: string) => options.find((option) => option.toLowerCase() === cell.trim().toLowerCase());
  const ticked = (cell: string) => {
    const meant = yesOrNo(cell);
    return tick && meant !== undefined ? tick[meant ? "yes" : "no"] : undefined;
  };
  return { read: (cell) => same(cell) ?? ticked(cell) ?? cell, write: plainly };
}

/** One of a field's choices, by its own name or by a word for it in one of four languages. */
export const choiceOf = (field: string): CellForm => ({ read: (cell) => choiceSaid(field, cell), write: plainly });

const free: ReadonlySet<string> = new Set(["kostenlos", "gratis", "gratuit", "gratuito", "umsonst", "free"]);

/** Nothing, in whatever language, or an amount as it stands. */
export const price: CellForm = {
  read: (cell) => (free.has(cell.trim().toLowerCase()) ? "free" : cell),
  write: plainly,
};

const everywhere: ReadonlySet<string> = new Set(["all", "alle", "überall", "tous", "partout", "todos", "everywhere"]);

/** Codes of countries, or their names in one of four languages; all of them in a word. */
export const countries: CellForm = {
  read: (cell) =>
    cell
      .split(/\s*[,;]\s*|\s+(?:and|und|et|y)\s+/i)
      .filter(Boolean)
      .map((each) => (everywhere.has(each.toLowerCase()) ? "all" : (countryNamed(each) ?? each))),
  write: plainly,
};

/** On or off, as people tick things in sheets; a feature with a text of its own is on. */
export const onOrOff: CellForm = {
  read: (cell) => yesOrNo(cell) ?? cell,
  write: (value) => (value === undefined ? "" : value === false || value === "off" ? "off" : "on"),
};
