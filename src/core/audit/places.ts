import { posix } from "node:path";
import type { Folder } from "../files/folder.ts";
import { type Problem, problem, Refusal } from "../problems/problem.ts";
import { parseJson, stringNodes } from "../splice/json.ts";
import { surveyTemplate } from "../template/read.ts";
import type { PictureUse } from "../template/survey.ts";

/**
 * Reads a whole variant as the platforms' tools will: each picture that its build files name must be there, in the
 * size that its place has, without an alpha channel where the platform forbids one; and an icon set holds no file that
 * its list does not name. Knows nothing of plan or receipt.
 */
export function judgePlaces(variant: Folder, shown: string): Problem[] {
  try {
    const parts = surveyTemplate(variant, () => false);
    const uses = parts.flatMap(({ pictures }) => pictures);
    return [
      ...uses.flatMap((use) => judgePicture(variant, use, shown)),
      ...unnamed(variant, shown),
      ...parts.flatMap(({ fills }) =>
        fills
          .filter(({ site, holds }) => holds === "colors.ground" && site.value.trim() === "transparent")
          .map(({ site }) =>
            problem(
              "place-wrong",
              `${shown}/${site.file} has a transparent ground: the system shows a colour of its own.`,
            ),
          ),
      ),
    ];
  } catch (error) {
    if (error instanceof Refusal) return [...error.problems];
    throw error;
  }
}

/** Colour types of a PNG that have an alpha channel (W3C, Portable Network Graphics, IHDR). */
const withAlpha = new Set([4, 6]);

function judgePicture(variant: Folder, { path, slot, container }: PictureUse, shown: string): Problem[] {
  const file = `${shown}/${path}`;
  if (!variant.has(path))
    return [problem("place-wrong", `${file} is named by the build files, and is not there.`)];
  if (container || !path.endsWith(".png")) return [];
  const bytes = Buffer.from(variant.bytes(path));
  if (bytes.toString("latin1", 1, 4) !== "PNG") return [problem("place-wrong", `${file} is no PNG.`)];
  const [width, height, colors] = [bytes.readUInt32BE(16), bytes.readUInt32BE(20), bytes[25] ?? 0];
  const wrong: Problem[] = [];
  if (width !== slot.width || height !== slot.height) {
    const expected = `${slot.width} × ${slot.height} pixels`;
    wrong.push(problem("place-wrong", `${file} has ${width} × ${height} pixels.`, { expected }));
  }
  const hasAlpha = withAlpha.has(colors) || bytes.subarray(0, 4096).includes("tRNS");
  if (slot.alpha === "none" && hasAlpha)
    wrong.push(problem("place-wrong", `${file} has an alpha channel.`, { expected: slot.rule }));
  return wrong;
}

/** Files of an asset that its Contents.json does not name: a tool that compiles the catalog warns of each. */
function unnamed(variant: Folder, shown: string): Problem[] {
  return variant
    .list()
    .filter((file) => /\.(appiconset|imageset)\/Contents\.json$/.test(file))
    .flatMap((file) => {
      const folder = posix.dirname(file);
      const named = new Set(stringNodes(parseJson(variant.source(file))).map((node) => String(node.value)));
      return variant
        .list()
        .filter((each) => posix.dirname(each) === folder && each !== file && !named.has(posix.basename(each)))
        .map((each) =>
          problem("place-wrong", `${shown}/${each} is in an asset whose Contents.json does not name it.`),
        );
    });
}
