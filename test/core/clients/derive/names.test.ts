import { expect, test } from "vitest";
import { fittedLabel } from "../../../../src/core/clients/derive/fields/label.ts";
import { inLatin, isReadingUnsure, latinDomain } from "../../../../src/core/clients/derive/fields/latin.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";

test.each([
  ["de", "Müller Bäckerei ÄHRE Straße", "Mueller Baeckerei AEHRE Strasse"],
  ["de-AT", "Öl", "Oel"],
  ["sv", "Kött & Öl", "Kott & Ol"],
  ["da", "Ærø Gård", "Aeroe Gaard"],
  ["tr", "Işık Şeker", "Isik Seker"],
  // Згурський, Юрій, Єнакієве: as the resolution's own table of examples spells them.
  ["uk", "Згурський Юрій Єнакієве Щербухи", "Zghurskyi Yurii Yenakiieve Shcherbukhy"],
  ["bg", "Щъркел Цъфтеж", "Shtarkel Tsaftezh"],
  ["en", "Müller", "Muller"],
])("letters in Latin as %s writes them: %s", (language, text, latin) => {
  // Capitals within a word of capitals are written as in the others.
  expect(inLatin(text, language).toLowerCase()).toBe(latin.toLowerCase());
  expect(inLatin(text, language)).toMatch(/^[ -~]*$/);
});

test.each([
  ["水木商店", true],
  ["مزرعة", true],
  ["חווה", true],
  ["Ферма", false],
  ["さくら", false],
  // RTGS writes suan and ISO 15919 namastē: letter by letter they would be swn and nmste.
  ["สวน", true],
  ["नमस्ते", true],
  ["Ελιά", false],
])("whether anybody can be sure how %s is read", (name, unsure) => {
  expect(isReadingUnsure(name)).toBe(unsure);
});

test.each([
  ["de", "xn--bcher-mnchen-dlbg.example", "buecher-muenchen.example"],
  ["sv", "xn--bcher-mnchen-dlbg.example", "bucher-munchen.example"],
  ["ja", "xn--6oqt7x.example", "xn--6oqt7x.example"],
  ["de", "hill.example", "hill.example"],
])("a domain in Latin letters, as %s writes it: %s", (language, domain, latin) => {
  expect(latinDomain(domain, language)).toBe(latin);
});

test.each([
  ["The Farm Shop of Abernethy", "Abernethy"],
  ["Bäckerei Gebrüder Huber", "Huber"],
  ["Hofladen und Café Zur Alten Mühle", "Alten Mühle"],
  ["Northumberland Market Garden Ltd", "Northumberl."],
  ["Three Acre Growers", "Three Acre"],
])("a label says what tells %s from others: %s", (name, label) => {
  expect(fittedLabel(trace({ by: "brief", note: "", value: name })).value).toBe(label);
});
