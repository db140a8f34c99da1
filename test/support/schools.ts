import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import writeXlsxFile from "write-excel-file/node";
import { oddLogos } from "./odd-logos.ts";

const animals = ["Delfin", "Otter", "Seehund", "Krake", "Pingüino", "Foca", "Nutria", "Wal", "Robbe", "Frosch"];
const places = ["Nordbad", "Südbad", "am See", "an der Mühle", "del Río", "Piscina Azul", "Westufer"];
const colors = ["#0a5c8f", "27,73,101", "rot", "grün", "azul oscuro", "1f5d4c", "#F2C14E", "türkis"];

interface School {
  name: string;
  domain: string;
  row: string[];
}

/** A swimming school as somebody wrote it into a sheet: each cell in a way that people write. */
function school(at: number): School {
  const name = `Schule ${animals[at % animals.length]} ${places[at % places.length]}`;
  const isSpanish = /[ñí]|Azul|Foca|Nutria|Ping/.test(name);
  const domain = `${["delfin", "otter", "hund", "krake", "pinguino", "foca"][at % 6]}${at}.example`;
  const row = [
    ...[name, at % 3 === 0 ? `https://www.${domain}/start` : domain, `${name} GmbH & Co. KG`],
    at % 4 === 0 ? `Frau Lind <kontakt@${domain}>` : `kontakt@${domain}`,
    ...[colors[at % colors.length] ?? "", isSpanish ? "Spanisch" : "Deutsch", at % 2 === 0 ? "Bildung" : "Sport"],
  ];
  return { name, domain, row };
}

/**
 * Writes a workbook of so many schools as an office keeps it, with two titles above its headings and a sum below, and a
 * folder with their logos, each called as somebody called it.
 */
export async function writeSchools(folder: string, count: number): Promise<void> {
  const schools = Array.from({ length: count }, (_, at) => school(at));
  const grid = [
    ["Schwimmschulen 2026", "", "", "", "", "", ""],
    ["Stand: Montag", "", "", "", "", "", ""],
    ["Name", "Webseite", "Firma", "E-Mail", "Farbe", "Sprache", "Kategorie"],
    ...schools.map(({ row }) => row),
    ["Summe", String(count), "", "", "", "", ""],
  ];
  const cells = grid.map((row) => row.map((value) => ({ value, type: String })));
  writeFileSync(join(folder, "schulen.xlsx"), await writeXlsxFile(cells).toBuffer());
  mkdirSync(join(folder, "logos"));
  for (const [at, { name, domain }] of schools.entries()) {
    const called = [domain.replace(".example", ""), `Logo ${name}`, `${name} final (2)`][at % 3] ?? "";
    writeFileSync(join(folder, "logos", `${called}.svg`), oddLogos[(at * 7) % oddLogos.length]?.svg ?? "");
  }
}
