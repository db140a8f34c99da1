import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { resolvePicked } from "../../../src/core/derive/resolve.ts";
import { noCache } from "../../../src/core/make/cache.ts";
import { carryOut } from "../../../src/core/make/carry-out.ts";
import { storedInputs, storeInputs, workspaceInputs } from "../../../src/core/make/inputs.ts";
import { planText, readPlan } from "../../../src/core/plan/file.ts";
import { planVariant } from "../../../src/core/plan/plan.ts";
import { templateFor } from "../../../src/core/survey/narrow.ts";
import { openTemplate } from "../../../src/core/survey/template.ts";
import { readWorkspace } from "../../../src/core/workspace/read.ts";
import { contents, oxalis, temporaryFolder, workspaceWith } from "../../support/oxalis.ts";

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
  storeInputs(plan, inputs, elsewhere, "store");
  const read = readPlan(planText(plan));
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const store = storedInputs(elsewhere, "store");
  const done = await carryOut(read.value, store, { root: elsewhere, folder: "variant" }, { cache: noCache });
  expect(done.ok).toBe(true);
  expect(oxalis(root, "generate", "3-acre").code).toBe(0);
  expect(contents(join(elsewhere, "variant"))).toEqual(contents(join(root, "variants/3-acre")));
});

test("what is not as it was planned with is refused, and nothing is left of the attempt", async () => {
  const { plan, inputs } = await planned();
  const elsewhere = temporaryFolder();
  storeInputs(plan, inputs, elsewhere, "store");
  const [entry] = plan.entries.filter(({ kind }) => kind === "splice");
  if (entry?.kind !== "splice") throw new Error("nothing is spliced");
  writeFileSync(join(elsewhere, "store", entry.input.sha256), "something else");
  const store = storedInputs(elsewhere, "store");
  const done = await carryOut(plan, store, { root: elsewhere, folder: "variant" }, { cache: noCache });
  expect(done.ok ? [] : done.problems.map(({ code }) => code)).toEqual(["plan-damaged"]);
  expect([...contents(elsewhere).keys()].filter((path) => path.startsWith("variant"))).toEqual([]);
});

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
