import type { BuiltFile } from "../../agency/history/builds.ts";
import { readPackage } from "../../app/packages/read.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { type ExpectedPackage, judgePackage } from "./judge.ts";

/** Endings of packages that are looked into; what has one and cannot be read is none. */
const looked = /\.(apk|aab|ipa|msix|appx)$/i;

/** Looks into what a build gave: nobody trusts the project that it came from. @param content of a file, by its path */
export async function judgeBuilt(
  files: readonly Pick<BuiltFile, "kind" | "path">[],
  content: (path: string) => Uint8Array,
  expected: ExpectedPackage,
): Promise<Problem[]> {
  const problems: Problem[] = [];
  for (const { path } of files) {
    if (!looked.test(path)) continue;
    const facts = await readPackage(content(path));
    if (facts) problems.push(...judgePackage(facts, expected, path));
    else {
      const client = expected.variant.key;
      problems.push(problem("package-unreadable", `${path} is no package that can be read.`, { client }));
    }
  }
  return problems;
}
