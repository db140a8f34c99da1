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

/** Separated by commas or semicolons. */
export const list: CellForm = { read: (cell) => cell.split(/\s*[,;]\s*/).filter(Boolean), write: plainly };

/** With or without # in front. */
export const color: CellForm = {
  read: (cell) => (/^([0-9a-f]{3}|[0-9a-f]{6})$/i.test(cell) ? `#${cell}` : cell),
  write: plainly,
};

/** One of a few words, however it is capitalized. */
export const word: CellForm = { read: (cell) => cell.toLowerCase(), write: plainly };

const on: ReadonlySet<string> = new Set(["on", "yes", "y", "x", "true", "1", "ja", "an", "oui", "sí", "si", "✓"]);
const off: ReadonlySet<string> = new Set(["off", "no", "n", "false", "0", "-", "nein", "aus", "non"]);

/** On or off, as people tick things in sheets; a feature with a text of its own is on. */
export const onOrOff: CellForm = {
  read(cell) {
    const said = cell.toLowerCase();
    return on.has(said) ? true : off.has(said) ? false : cell;
  },
  write: (value) => (value === undefined ? "" : value === false || value === "off" ? "off" : "on"),
};
