import { cpSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { contents, edit, oxalis, workspaceWith } from "../support/oxalis.ts";

test("what is written under names from before gives the same app as under today's", () => {
  const today = workspaceWith(["3-acre"]);
  const former = workspaceWith(["3-acre"]);
  for (const [folder, names] of [
    [today, { repeat: "repeat", soft: "softText", brand: "brandText", light: "lightness" }],
    [former, { repeat: "pattern", soft: "onSoft", brand: "onBrand", light: "toned" }],
  ] as const) {
    cpSync(join(folder, "clients/3-acre/art/mark.svg"), join(folder, "clients/3-acre/art/tile.svg"));
    edit(folder, "clients/3-acre/brief.yaml", (text) =>
      text
        .replace("art:\n", `art:\n  ${names.repeat}: art/tile.svg\n`)
        .replace("colors:\n", `colors:\n  ${names.soft}: "#102030"\n`),
    );
    edit(folder, "template.yaml", (text) => `${text.replaceAll("{colors.brandText}", `{colors.${names.brand}}`)}\n`);
    edit(folder, "oxalis.yaml", (text) =>
      text.replace("patterns:\n", `patterns:\n  colors.line: "{colors.brand ${names.light} 55}"\n`),
    );
    expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0, err: "" });
  }
  const [own, others] = [today, former].map((folder) => contents(join(folder, "variants/3-acre")));
  for (const [file, bytes] of own ?? [])
    if (file !== ".receipt.json") expect([file, others?.get(file)?.equals(bytes)]).toEqual([file, true]);
  expect(readFileSync(join(today, "variants/3-acre/web/style.css"), "utf8")).not.toBe(
    readFileSync(join(today, "template/web/style.css"), "utf8"),
  );
});
