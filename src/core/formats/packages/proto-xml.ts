import type { ManifestElement, ManifestValue } from "./binary-xml.ts";
import { fieldsIn, textOf } from "./protocol.ts";

/** Numbers of the fields that are read (Android, Resources.proto: XmlNode and what it is made of). */
const numbers = {
  node: { element: 1 },
  element: { name: 3, attribute: 4, child: 5 },
  attribute: { name: 2, value: 3, item: 6 },
  item: { reference: 1 },
  reference: { id: 2 },
} as const;

/** Deepest nesting that is followed. */
const deepest = 100;

/** Reads a manifest as a bundle has it; undefined where it is none. */
export function readProtoXml(bytes: Uint8Array, depth = 0): ManifestElement | undefined {
  const own = [...fieldsIn(bytes)].find(({ number }) => number === numbers.node.element)?.bytes;
  if (!own || depth > deepest) return undefined;
  let name = "";
  const attributes = new Map<string, ManifestValue>();
  const children: ManifestElement[] = [];
  for (const field of fieldsIn(own)) {
    if (field.number === numbers.element.name) name = textOf(field.bytes);
    else if (field.number === numbers.element.attribute && field.bytes) {
      const [key, value] = attributeIn(field.bytes);
      attributes.set(key, value);
    } else if (field.number === numbers.element.child && field.bytes) {
      const child = readProtoXml(field.bytes, depth + 1);
      if (child) children.push(child);
    }
  }
  return name === "" ? undefined : { name, attributes, children };
}

function attributeIn(bytes: Uint8Array): [string, ManifestValue] {
  const all = [...fieldsIn(bytes)];
  const of = (number: number) => all.find((each) => each.number === number)?.bytes;
  const item = of(numbers.attribute.item);
  const reference = item && [...fieldsIn(item)].find(({ number }) => number === numbers.item.reference)?.bytes;
  const id = reference && [...fieldsIn(reference)].find(({ number }) => number === numbers.reference.id)?.value;
  const text = textOf(of(numbers.attribute.value));
  return [textOf(of(numbers.attribute.name)), id === undefined ? { text } : { text, reference: id }];
}
