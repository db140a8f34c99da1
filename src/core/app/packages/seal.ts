import { createHash } from "node:crypto";
import { mostOf, type PackageFiles } from "../../formats/archives/files.ts";
import { readPropertyList } from "../../formats/packages/property-list.ts";
import { type CodeSignature, readCodeSignature } from "../../formats/programs/mach-o.ts";

/** How an app is sealed: who signed its program, and whether all of it is as it was signed. */
export type Seal = Pick<CodeSignature, "certificate" | "entitlements" | "holds">;

/** The seal of an app (Apple, "Code Signing in Depth"); undefined where it has none. @param program below the folder */
export async function sealOf(files: PackageFiles, folder: string, program: string): Promise<Seal | undefined> {
  const bytes = files.read(`${folder}${program}`);
  const signature = bytes && (await readCodeSignature(bytes));
  if (!signature) return undefined;
  const { certificate, entitlements, slots, hash } = signature;
  const isAsSigned = (name: string, sum: string | undefined): boolean => {
    const content = files.read(`${folder}${name}`);
    const none = sum === undefined || /^0+$/.test(sum);
    return content === undefined ? none : none || createHash(hash).update(content).digest("hex") === sum;
  };
  const areLists = isAsSigned("Info.plist", slots.list) && isAsSigned("_CodeSignature/CodeResources", slots.resources);
  const resources = areLists ? areResources(files, folder) : false;
  return {
    ...(certificate ? { certificate } : {}),
    entitlements,
    holds: signature.holds === false || resources === false ? false : resources && signature.holds,
  };
}

/** Whether the files beside a program are as its list says; undefined where they are too many to look at. */
function areResources(files: PackageFiles, folder: string): boolean | undefined {
  const bytes = files.read(`${folder}_CodeSignature/CodeResources`);
  const listed = bytes && readPropertyList(bytes)?.files2;
  if (listed === null || typeof listed !== "object") return true;
  const sums = new Map(
    Object.entries(listed).flatMap(([name, each]) => {
      const sum = sumIn(each);
      return sum ? [[`${folder}${name}`, sum] as const] : [];
    }),
  );
  const { files: all, left } = files.readAll((name) => sums.has(name), mostOf.held);
  const areSame = Object.entries(all).every(([name, content]) =>
    createHash("sha256")
      .update(content)
      .digest()
      .equals(sums.get(name) ?? Buffer.alloc(0)),
  );
  const areThere = Object.keys(all).length + left === sums.size;
  return areSame && areThere ? (left > 0 ? undefined : true) : false;
}

/** The sum of a file that has to be there, as such a list has it. */
function sumIn(entry: unknown): Buffer | undefined {
  const { hash2, optional } = entry !== null && typeof entry === "object" ? (entry as Record<string, unknown>) : {};
  return hash2 instanceof Uint8Array && optional !== true ? Buffer.from(hash2) : undefined;
}
