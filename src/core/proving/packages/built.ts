import type { BuiltFile } from "../../agency/history/builds.ts";
import { readPackage } from "../../app/packages/read.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import type { PackageEyes } from "./eyes.ts";
import { type ExpectedPackage, judgePackage } from "./judge.ts";

/** Endings of packages that are looked into; what has one and cannot be read is none. */
const looked = /\.(apk|aab|ipa|msix|appx)$/i;

/** Looks into what a build gave: nobody trusts the project that it came from. @param content of a file, by its path */
export async function judgeBuilt(
  files: readonly Pick<BuiltFile, "kind" | "path">[],
  content: (path: string) => Uint8Array,
  expected: ExpectedPackage,
  eyes: PackageEyes,
): Promise<Problem[]> {
  const problems: Problem[] = [];
  for (const { path } of files) {
    if (!looked.test(path)) continue;
    const bytes = content(path);
    const facts = await readPackage(bytes);
    if (facts) {
      problems.push(...judgePackage(facts, expected, path));
      problems.push(...(await eyes.look(bytes, facts, expected.variant, path)));
    } else {
      const client = expected.variant.key;
      problems.push(problem("package-unreadable", `${path} is no package that can be read.`, { client }));
    }
  }
  return problems;
}
