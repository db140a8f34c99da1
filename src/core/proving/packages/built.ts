import type { BuiltFile } from "../../agency/history/builds.ts";
import { readPackage } from "../../app/packages/read.ts";
import { type Problem, problem } from "../../ground/problems/problem.ts";
import { sizeSaid } from "../../ground/values/size.ts";
import type { PackageEyes } from "./eyes.ts";
import { type ExpectedPackage, judgePackage } from "./judge.ts";

type File = Pick<BuiltFile, "kind" | "path">;

/** Endings of packages that have to be readable: what has one and cannot be read is none. */
const looked = /\.(apk|aab|ipa|msix|appx)$/i;

/** Endings of what may be a package, and is looked into where it is one. */
const maybe = /\.(zip|t(ar\.)?gz|tar|exe|deb|pkg)$/i;

/** What only its own system opens: it is said that nobody has looked into it. */
const closed: Readonly<Record<string, string>> = {
  dmg: "a disk image, which only a Mac opens",
  appimage: "an image of a file system, which only Linux opens",
  msi: "an installer's database, which only Windows opens",
  rpm: "a package of a system that is not here",
};

/** A build of the same thing that came before: files by their paths and sizes. */
export type FormerBuilt = readonly Pick<BuiltFile, "path" | "size">[];

/** Looks into what a build gave: nobody trusts the project that it came from. @param content of a file, by its path */
export async function judgeBuilt(
  files: readonly File[],
  content: (path: string) => Uint8Array,
  expected: ExpectedPackage & { former?: FormerBuilt },
  eyes: PackageEyes,
): Promise<Problem[]> {
  const problems: Problem[] = [];
  const { variant, platform, former } = expected;
  const tell = (code: "package-unreadable" | "package-size", message: string, severity?: "warning" | "note") =>
    problem(code, message, { client: variant.key, platform, ...(severity ? { severity } : {}) });
  for (const { path, kind } of files) {
    if (kind !== "store" && kind !== "install") continue;
    const unopened = closed[endingOf(path)];
    if (unopened !== undefined) problems.push(tell("package-unreadable", `${path} is ${unopened}.`, "note"));
    if (!looked.test(path) && !maybe.test(path)) continue;
    const bytes = content(path);
    const opened = await readPackage(bytes);
    if (opened) {
      problems.push(...judgePackage(opened.facts, expected, path));
      problems.push(...(await eyes.look(opened, expected, path)));
    } else if (looked.test(path)) problems.push(tell("package-unreadable", `${path} is no package that can be read.`));
    const last = former?.find((each) => endingOf(each.path) === endingOf(path));
    if (last && isUnlike(bytes.length, last.size)) {
      const sizes = `${sizeSaid(bytes.length)}, the last one ${sizeSaid(last.size)}`;
      problems.push(tell("package-size", `${path} is ${sizes}.`, "warning"));
    }
  }
  return problems;
}

const endingOf = (path: string): string => /\.(\w+)$/.exec(path)?.[1]?.toLowerCase() ?? "";

/** Sizes that differ by less, in bytes, are told of nobody. */
const slight = 512 * 1024;

/** Whether a size is so unlike the last one that something was left out, or came in. */
const isUnlike = (size: number, last: number): boolean =>
  Math.abs(size - last) > slight && (size > last * 1.5 || size < last * 0.67);
