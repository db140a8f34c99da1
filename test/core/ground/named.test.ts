import { expect, test } from "vitest";
import { countryNamed } from "../../../src/core/ground/values/country.ts";
import { languageNamed } from "../../../src/core/ground/values/language.ts";

test.each([
  ["Deutschland", "DE"],
  ["France", "FR"],
  ["Royaume-Uni", "GB"],
  ["Reino Unido", "GB"],
  ["Russia", "RU"],
  ["Serbia", "RS"],
  ["Vietnam", "VN"],
  ["European Union", undefined],
  ["Nowhere", undefined],
])("a country by its name, and never by a code that was replaced: %s", (name, code) => {
  expect(countryNamed(name)).toBe(code);
});

test.each([
  ["Deutsch", "de"],
  ["hebrew", "he"],
  ["українська", "uk"],
  ["Nothing", undefined],
])("a language by its name in four languages, or in itself: %s", (name, tag) => {
  expect(languageNamed(name)).toBe(tag);
});
