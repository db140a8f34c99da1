import { describe, expect, test } from "vitest";
import type { Client } from "../../../../src/core/agency/workspace/workspace.ts";
import { readWorkspace } from "../../../../src/core/app/survey/workspace.ts";
import { declaredFor, declaredTo, wantsPolicy } from "../../../../src/core/clients/record/declared.ts";
import { storeKeys } from "../../../../src/core/ground/values/store.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";
import { questions as declarations } from "../../../../src/core/stores/all.ts";
import { edit, workspaceWith } from "../../../support/oxalis.ts";

const folder = workspaceWith(["3-acre"]);
const brief = "clients/3-acre/brief.yaml";

/** The demo with a client whose brief declares this. */
function declaring(declares = "") {
  edit(folder, brief, (text) => `${text.replace(/^ {2}declares:.*\n/m, "")}\n`);
  if (declares) edit(folder, brief, (text) => text.replace("store:\n", `store:\n  declares: { ${declares} }\n`));
  const workspace = readWorkspace(folder);
  return { workspace, client: workspace.clients[0] as Client };
}

const answerTo = (name: string, features: readonly string[] = [], declares?: string) => {
  const { workspace, client } = declaring(declares);
  const { declared, problems } = declaredFor(workspace, client, features);
  const found = declared.find(({ declaration }) => declaration.name === name);
  return { answer: found?.answer?.value, because: found?.because, codes: problems.map(({ code }) => code) };
};

test("every question has words to answer with, a rule, where that stands, and a store that asks", () => {
  expect(new Set(declarations.map(({ name }) => name)).size).toBe(declarations.length);
  for (const { name, asks, of, stores, rule, source, asOf, locks } of declarations) {
    expect(of.length, name).toBeGreaterThan(1);
    expect(stores.length, name).toBeGreaterThan(0);
    expect(
      [asks, rule, source].every((text) => text.length > 8),
      name,
    ).toBe(true);
    expect(asOf).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    if (locks) expect(of, name).toContain(locks.answer);
  }
  for (const store of storeKeys) expect(declarations.some(({ stores }) => stores.includes(store))).toBe(true);
});

describe("a feature leaves one right answer", () => {
  const locked = declarations.flatMap(({ name, of, locks }) =>
    (locks?.features ?? []).map((feature) => ({ name, feature, of, answer: locks?.answer ?? "" })),
  );

  test.each(locked)("$feature: $name is $answer, and to deny it is an error", ({ name, feature, of, answer }) => {
    const settled = answerTo(name, [feature]);
    expect(settled.because).toBeTruthy();
    expect(settled.answer === answer || (of.includes("used") && settled.answer !== "no")).toBe(true);
    const denial = of.includes("used") ? "no" : of.find((word) => word !== answer);
    const denied = answerTo(name, [feature], `${name}: "${denial}"`);
    expect(denied.codes).toContain("declaration-contradicted");
    expect(denied.answer).toBe(answer);
  });

  test("what says more than it has to is no denial", () => {
    const data = locked.find(({ of }) => of.includes("used") && of.includes("linked"));
    const said = answerTo(data?.name ?? "", [data?.feature ?? ""], `${data?.name}: linked`);
    expect(said).toMatchObject({ answer: "linked", codes: [] });
  });
});

test("what a feature makes unlikely is asked about, and stands where somebody says so", () => {
  expect(answerTo("data-account", ["sign-in"], 'data-account: "no"')).toMatchObject({
    answer: "no",
    codes: ["declaration-doubtful"],
  });
  expect(answerTo("data-account", ["sign-in"], "data-account: linked").codes).toEqual([]);
  const stays = 'data-account: linked, deletion: "no account"';
  expect(answerTo("deletion", ["sign-in"], stays)).toMatchObject({ answer: "no account", codes: [] });
});

describe("an answer", () => {
  test("of a brief goes before the template's; yes and no may be truth values of YAML", () => {
    expect(answerTo("advertising").answer).toBe("no");
    expect(answerTo("advertising", [], "advertising: yes").answer).toBe("yes");
    expect(answerTo("advertising", [], "advertising: true").answer).toBe("yes");
  });

  test("that is none, or to a question that there is not, is told with its place", () => {
    expect(answerTo("advertising", [], "advertising: perhaps")).toMatchObject({
      answer: undefined,
      codes: ["declaration-invalid"],
    });
    const { workspace, client } = declaring("advertizing: no");
    const [problem] = declaredFor(workspace, client, []).problems;
    expect(problem).toMatchObject({ expected: '"advertising"', place: { file: brief } });
  });

  test("goes to the stores that ask, and says whether the app handles what belongs to a person", () => {
    const { workspace, client } = declaring();
    const plain = declaredFor(workspace, client, []).declared;
    const denied = plain.map((each) => ({ ...each, answer: trace({ by: "brief", note: "", value: "no" }) }));
    const tracking = denied.map((each) =>
      each.declaration.name === "tracking" ? { ...each, answer: trace({ by: "brief", note: "", value: "yes" }) } : each,
    );
    expect([denied, tracking].map((each) => wantsPolicy([], each))).toEqual([false, true]);
    // What uses a camera has a policy, and collects nothing by that alone.
    expect(wantsPolicy(["camera"], denied)).toBe(true);
    expect(answerTo("data-photos", ["camera", "photos"], 'data-photos: "no"')).toMatchObject({
      answer: "no",
      codes: [],
    });
    const names = declaredTo("mac-app-store", plain).map(({ declaration }) => declaration.name);
    expect(names).toContain("encryption");
    expect(names).not.toContain("news");
  });
});
