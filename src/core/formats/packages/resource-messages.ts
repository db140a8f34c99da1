import { first, numberIn, textOf, within } from "./protocol.ts";
import type { Resources, ResourceValue } from "./resources.ts";

/** Numbers of the fields that are read (Android, Resources.proto, ResourceTable and what it is made of). */
const numbers = {
  table: { package: 2 },
  package: { id: 1, type: 3 },
  type: { id: 1, entry: 3 },
  entry: { id: 1, value: 6 },
  configured: { configuration: 1, value: 2 },
  configuration: { locale: 3 },
  value: { item: 4 },
  item: { reference: 1, text: 2, raw: 3, styled: 4, file: 5 },
  reference: { id: 2 },
} as const;

/** An identifier of a package, type or entry is a message of its own, with its number as the first field. */
const identifierIn = (bytes: Uint8Array): number => numberIn(first(bytes, 1), 1);

/** Opens a bundle's resources (resources.pb); undefined where they are none. */
export function openMessages(bytes: Uint8Array): Resources | undefined {
  const all = new Map<number, ResourceValue[]>();
  for (const each of within(bytes, numbers.table.package))
    for (const type of within(each, numbers.package.type))
      for (const entry of within(type, numbers.type.entry)) {
        const number = identifierIn(each) * 2 ** 24 + identifierIn(type) * 2 ** 16 + identifierIn(entry);
        all.set(number, [...within(entry, numbers.entry.value)].flatMap(valueIn));
      }
  if (all.size === 0) return undefined;
  return {
    find: (number) => all.get(number) ?? [],
    texts: () => [...all.values()].flat().flatMap(({ text, reference }) => (reference === undefined ? [text] : [])),
  };
}

function valueIn(configured: Uint8Array): ResourceValue[] {
  const language = textOf(first(first(configured, numbers.configured.configuration), numbers.configuration.locale));
  const item = first(first(configured, numbers.configured.value), numbers.value.item);
  if (!item) return [];
  const reference = first(item, numbers.item.reference);
  if (reference) return [{ language, text: "", reference: numberIn(reference, numbers.reference.id) }];
  // A text, one as it was written, one with styles, a file: each has what it says as its first field.
  const said = [numbers.item.text, numbers.item.raw, numbers.item.styled, numbers.item.file]
    .map((number) => first(item, number))
    .find((each) => each !== undefined);
  return said ? [{ language, text: textOf(first(said, 1)) }] : [];
}
