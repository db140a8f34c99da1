import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { zipSync } from "fflate";
import { build } from "plist";
import { expect, test } from "vitest";
import { edit, oxalis, temporaryFolder, workspaceWith } from "../support/oxalis.ts";
import { parseShape, unlike } from "../support/shape.ts";

const docs = readFileSync(join(import.meta.dirname, "../../docs/commands.md"), "utf8");

/** The shape that a command's chapter gives; it may go over several lines. */
function shapeOf(command: string) {
  const chapter = docs.split(/^## /m).find((each) => new RegExp(`^${command}\\b`).test(each)) ?? "";
  const text = /^JSON: `([^`]+)`/m.exec(chapter)?.[1];
  if (!text) throw new Error(`docs/commands.md has no shape for ${command}`);
  return parseShape(text);
}

const problem = parseShape(/a problem is `([^`]+)`/.exec(docs)?.[1] ?? "");
const problems = { kind: "list", of: problem } as const;
const place = parseShape("{ file, line, column }");
const everywhere = { problems, gaps: problems, refused: problems, place, problem };

const folder = workspaceWith(["3-acre", "saltmarsh"]);
const people = join(temporaryFolder(), "people.csv");
writeFileSync(people, "name,address,consent\nAda,ada@field.example,2026-10-01\nBo,bo@field.example,\n");
const sheet = join(temporaryFolder(), "roster.csv");
const changed = join(temporaryFolder(), "changed.csv");
const list = { CFBundleIdentifier: "example.somebody", CFBundleShortVersionString: "1.0", CFBundleVersion: "1" };
writeFileSync(join(folder, "saltmarsh.ipa"), zipSync({ "Payload/Shop.app/Info.plist": Buffer.from(build(list)) }));
edit(folder, "clients/saltmarsh/brief.yaml", (text) => `${text}\nsigning:\n  team: AB12CD34EF\n`);
writeFileSync(changed, "key,app.name\n3-acre,Three Acre Greens\n");

/** Every command that prints JSON, each after those that it needs. */
const calls: readonly (readonly [command: string, ...args: string[]])[] = [
  ["init", "--template", "template", "--dry-run", "elsewhere"],
  ["clients"],
  ["explain", "3-acre"],
  ["art"],
  ["check"],
  ["generate"],
  ["audit"],
  ["proof"],
  ["board"],
  ["ask", "--dry-run"],
  ["approve", "--by", "Mara", "3-acre"],
  ["copy-sheet", "3-acre", "app-store"],
  ["release", "3-acre", "--minor", "--note", "More boxes", "--force", "--dry-run"],
  ["rename-identifier", "3-acre", "android", "example.acre.other"],
  ["export", sheet],
  ["import", changed, "--dry-run"],
  ["keys", "saltmarsh"],
  ["keys make", "--dry-run"],
  ["keys request", "--dry-run"],
  ["build", "3-acre", "--platform", "web"],
  ["builds"],
  ["submit", "saltmarsh", "--dry-run"],
  ["update", "saltmarsh", "--dry-run"],
  ["events"],
  ["testers import", people],
  ["testers", "saltmarsh"],
  ["testers export", join(dirname(people), "again.csv")],
  ["testers invite", "saltmarsh", "--dry-run"],
  ["testers end", "ada@field.example", "--erase"],
  ["queue"],
  ["inspect", join(folder, "saltmarsh.ipa")],
  ["clean"],
];

test.each(calls.map((args) => ({ command: args[0], args })))(
  "$command --json prints what docs/commands.md says",
  ({ command, args }) => {
    const { out, err } = oxalis(folder, ...command.split(" "), ...args.slice(1), "--json");
    expect(out, err).toMatch(/^\{/);
    const printed = JSON.parse(out);
    expect(unlike(shapeOf(command), printed, everywhere)).toEqual([]);
    for (const [key, value] of Object.entries(printed))
      if (
        command !== "testers end" &&
        ["clients", "slots", "parts", "releases", "builds", "requests", "packages", "made"].includes(key)
      )
        expect(value).not.toEqual([]);
  },
);

test("a command that cannot start prints its problems", () => {
  const { out, code } = oxalis(temporaryFolder(), "check", "--json");
  expect(code).toBe(1);
  expect(unlike(parseShape("{ problems }"), JSON.parse(out), everywhere)).toEqual([]);
});
