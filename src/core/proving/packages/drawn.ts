import { variantPath } from "../../agency/workspace/stage.ts";
import type { Workspace } from "../../agency/workspace/workspace.ts";
import { readInside } from "../../ground/files/reading/folder.ts";
import { attempt } from "../../ground/problems/result.ts";
import { sha256 } from "../../ground/values/hash.ts";
import { readReceipt } from "../../making/jobs/receipt.ts";
import { alike, type Likeness, likenessOf, unlikeness } from "../../pictures/artwork/likeness.ts";
import { pixelSum, sizeSaid } from "../../pictures/artwork/pixels.ts";

/** The pictures that were drawn for a client, as they lie in its variant. */
export interface DrawnPictures {
  /** Whether a picture is one of them: to the byte, or to the pixel where it was packed anew. */
  has(picture: Uint8Array): Promise<boolean>;
  /** Whether it looks like one of them, made smaller or larger. */
  isLike(picture: Uint8Array): Promise<boolean>;
}

/** What was drawn for a client; undefined where it has no variant. Each picture is read when it is asked about. */
export function drawnPictures(workspace: Workspace, client: string): DrawnPictures | undefined {
  const folder = variantPath(workspace, client);
  const receipt = attempt(() => readReceipt(workspace.root, folder, client));
  if (!receipt.ok || Object.keys(receipt.value.files).length === 0) return undefined;
  const drawn = Object.entries(receipt.value.files).filter(
    ([path, { kind }]) => kind === "draw" && /\.(png|webp|jpe?g)$/.test(path),
  );
  const bytes = new Set(drawn.map(([, file]) => file.sha256));
  const contents = function* () {
    for (const [path] of drawn) {
      const found = attempt(() => readInside(workspace.root, `${folder}/${path}`, path));
      if (found.ok) yield found.value;
    }
  };
  const sums = new Map<string, Promise<ReadonlySet<string>>>();
  const sumsOf = async (size: string): Promise<ReadonlySet<string>> => {
    const found = new Set<string>();
    for (const each of contents()) if (sizeSaid(each) === size) found.add((await pixelSum(each)) ?? "");
    return found;
  };
  let looks: Promise<Likeness[]> | undefined;
  const looksOf = async (): Promise<Likeness[]> => {
    const found: Likeness[] = [];
    for (const each of contents()) if (isIcon(each)) found.push(...[(await likenessOf(each)) ?? []].flat());
    return found;
  };
  return {
    async has(picture) {
      if (bytes.has(sha256(picture))) return true;
      const size = sizeSaid(picture);
      if (size === undefined) return false;
      if (!sums.has(size)) sums.set(size, sumsOf(size));
      return (await sums.get(size))?.has((await pixelSum(picture)) ?? "none") === true;
    },
    async isLike(picture) {
      const likeness = isIcon(picture) ? await likenessOf(picture) : undefined;
      if (likeness === undefined) return false;
      looks ??= looksOf();
      return (await looks).some((own) => unlikeness(own, likeness) <= alike);
    },
  };
}

/** Longest side of what stands for an app, in pixels. */
const largestIcon = 1024;

/** Whether a picture can stand for an app: a square, and no larger than a store wants one. */
const isIcon = (bytes: Uint8Array): boolean => {
  const [width, height] = sizeSaid(bytes)?.split("x").map(Number) ?? [];
  return width !== undefined && width === height && width <= largestIcon;
};

/** Whether any of some pictures was drawn for a client: as it is, or made smaller. */
export async function isAnyDrawn(pictures: readonly Uint8Array[], drawn: DrawnPictures): Promise<boolean> {
  for (const each of pictures) if (await drawn.has(each)) return true;
  for (const each of pictures) if (await drawn.isLike(each)) return true;
  return false;
}
