import { writeFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { expect, test } from "vitest";
import { templateFor } from "../../../../src/core/app/survey/narrow.ts";
import { openTemplate } from "../../../../src/core/app/survey/template.ts";
import { readWorkspace } from "../../../../src/core/app/survey/workspace.ts";
import { resolvePicked } from "../../../../src/core/clients/derive/resolve.ts";
import { folderContents, pathOfSum } from "../../../../src/core/ground/contents/folder.ts";
import { noCache } from "../../../../src/core/making/jobs/cache.ts";
import { carryOut, planJob } from "../../../../src/core/making/jobs/carry-out.ts";
import { inputsOf, storedInputs, storeInputs, workspaceInputs } from "../../../../src/core/making/jobs/inputs.ts";
import { planText, readPlan } from "../../../../src/core/making/plan/file.ts";
import { planVariant } from "../../../../src/core/making/plan/plan.ts";
import { contents, oxalis, sums, temporaryFolder, workspaceWith } from "../../../support/oxalis.ts";

async function planned() {
  const root = workspaceWith(["3-acre"]);
  const workspace = readWorkspace(root);
  const template = openTemplate(workspace);
  const { picked } = await resolvePicked(workspace, ["3-acre"]);
  const own = templateFor(template, picked[0] as (typeof picked)[0]);
  if (!own.ok) throw new Error("no variant");
  return {
    root,
    plan: planVariant(own.value.variant, own.value.template, "tree"),
    inputs: workspaceInputs(root, template.folder),
  };
}

test("a plan that is written down, and its inputs by content, give the same variant elsewhere", async () => {
  const { root, plan, inputs } = await planned();
  const elsewhere = temporaryFolder();
  await storeInputs(inputsOf(plan), inputs, folderContents(elsewhere));
  const read = readPlan(planText(plan));
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const store = storedInputs(elsewhere);
  const to = { root: elsewhere, folder: "variant" };
  const done = await carryOut(planJob(read.value, to), store, to, { cache: noCache });
  expect([done.problems, Object.keys(done.files).length]).toEqual([[], plan.entries.length]);
  expect(oxalis(root, "generate", "3-acre").code).toBe(0);
  expect(sums(join(elsewhere, "variant"))).toEqual(sums(join(root, "variants/3-acre")));
});

test("what is not as it was planned with is refused, and nothing is left of the attempt", async () => {
  const { plan, inputs } = await planned();
  const elsewhere = temporaryFolder();
  await storeInputs(inputsOf(plan), inputs, folderContents(elsewhere));
  const [entry] = plan.entries.filter(({ kind }) => kind === "splice");
  if (entry?.kind !== "splice") throw new Error("nothing is spliced");
  writeFileSync(join(elsewhere, pathOfSum(entry.input.sha256)), "something else");
  const store = storedInputs(elsewhere);
  const to = { root: elsewhere, folder: "variant" };
  const done = await carryOut(planJob(plan, to), store, to, { cache: noCache });
  expect(done.problems.map(({ code }) => code)).toEqual(["plan-damaged"]);
  expect([...contents(elsewhere).keys()].filter((path) => path.startsWith("variant"))).toEqual([]);
});

test("a plan in which anything was changed is refused, or gives a variant or a problem; it draws nothing else", async () => {
  const { plan, inputs } = await planned();
  const elsewhere = temporaryFolder();
  await storeInputs(inputsOf(plan), inputs, folderContents(elsewhere));
  const store = storedInputs(elsewhere);
  const few = (["draw", "splice", "supply", "write", "keep"] as const).flatMap((kind) => {
    const [first] = plan.entries.filter((entry) => entry.kind === kind);
    return first ? [first] : [];
  });
  const text = planText({ ...plan, entries: few });
  const places = placesIn(JSON.parse(text).entries, []);
  const anything = fc.constantFrom(
    null,
    -1,
    0,
    0.5,
    9000,
    "",
    "../x",
    '"/><image href="file:///etc/passwd',
    [],
    {},
    true,
  );
  let turn = 0;
  await fc.assert(
    fc.asyncProperty(fc.constantFrom(...places), anything, async (place, value) => {
      const data = JSON.parse(text);
      const name = place.at(-1) as string;
      place.slice(0, -1).reduce((at, step) => at[step], data.entries)[name] = value;
      const read = readPlan(JSON.stringify(data));
      fc.pre(read.ok);
      if (!read.ok) return;
      const to = { root: elsewhere, folder: `variant-${turn++}` };
      const done = await carryOut(planJob(read.value, to), store, to, { cache: noCache });
      if (!done.receipt) expect(done.problems.length).toBeGreaterThan(0);
    }),
    { numRuns: 60, maxSkipsPerRun: 1000 },
  );
  expect([...contents(elsewhere).keys()].every((path) => /^(sums|variant-\d+|\.oxalis)\//.test(path))).toBe(true);
});

/** Every place within plain data, as the steps that lead there. */
function placesIn(data: unknown, path: readonly string[]): string[][] {
  if (typeof data !== "object" || data === null) return [];
  return Object.entries(data).flatMap(([name, value]) => [[...path, name], ...placesIn(value, [...path, name])]);
}

test.each([
  "{",
  "[]",
  '{ "form": 9 }',
  '{ "form": 1, "client": "a", "layout": "tree", "entries": [{ "kind": "write", "path": "../out", ' +
    '"fingerprint": "", "text": "" }] }',
])("a plan that cannot be trusted is refused: %s", (text) => {
  const read = readPlan(text);
  expect(read.ok ? [] : read.problems.map(({ code }) => code)).toEqual(["plan-damaged"]);
});
