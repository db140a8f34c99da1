import { isScalar, parseDocument, Scalar } from "yaml";
import { refuse } from "../../../ground/problems/result.ts";
import { placeAt, type Source } from "../../../ground/values/source.ts";
import type { Site } from "../site.ts";

/** The site of a value in a YAML file; it is written in double quotes, which hold any text. Stops: template-syntax. */
export function yamlSite(file: string, source: Source, path: readonly (string | number)[]): Site | undefined {
  const document = parseDocument(source.text, { prettyErrors: false });
  const [error] = document.errors;
  if (error) {
    refuse("template-syntax", `${file} is not valid YAML: ${error.message.split("\n")[0]?.replace(/[:.]$/, "")}.`, {
      place: placeAt(source, error.pos[0]),
    });
  }
  const node = document.getIn(path, true);
  if (!isScalar(node) || !node.range) return undefined;
  const [start, end] = node.range;
  const isBlock = node.type === Scalar.BLOCK_LITERAL || node.type === Scalar.BLOCK_FOLDED;
  const written = source.text.slice(start, end);
  return {
    file,
    start,
    // A block's last line end is not part of what is replaced.
    end: isBlock ? start + written.replace(/\s+$/, "").length : end,
    value: String(node.value ?? ""),
    form: written === "" ? "yaml-empty" : "json",
  };
}
