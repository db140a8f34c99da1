import { describe, expect, test } from "vitest";
import type { Client } from "../../../../src/core/agency/workspace/workspace.ts";
import { readWorkspace } from "../../../../src/core/app/survey/workspace.ts";
import { dataLines } from "../../../../src/core/clients/record/collected.ts";
import { declaredFor, declaredTo, wantsPolicy } from "../../../../src/core/clients/record/declared.ts";
import { type StoreKey, storeKeys } from "../../../../src/core/ground/values/store.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";
import { questions as declarations, stores } from "../../../../src/core/stores/all.ts";
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

const answerTo = (
  name: string,
  features: readonly string[] = [],
  declares?: string,
  permissions: readonly string[] = [],
) => {
  const { workspace, client } = declaring(declares);
  const { declared, problems } = declaredFor(workspace, client, { features, permissions });
  const found = declared.find(({ declaration }) => declaration.name === name);
  return { answer: found?.answer?.value, because: found?.because, codes: problems.map(({ code }) => code) };
};

/** What a store is told of data that is declared so, line by line. */
const formOf = (store: StoreKey, data: string): string[] => {
  const { workspace, client } = declaring(
    `${/tracking/.test(data) ? "tracking: yes, " : ""}data: { device-id: "no", ${data} }`,
  );
  const { collected, problems } = declaredFor(workspace, client, { features: [], permissions: [] });
  expect(problems).toEqual([]);
  return dataLines(stores[store], collected).map(({ title, text }) => `${title}: ${text}`);
};

test("every question has words to answer with, a rule, where that stands, and a store that asks", () => {
  expect(new Set(declarations.map(({ name }) => name)).size).toBe(declarations.length);
  for (const { name, asks, of, stores: askedBy, rule, source, asOf, locks } of declarations) {
    expect(of.length, name).toBeGreaterThan(1);
    expect(askedBy.length, name).toBeGreaterThan(0);
    expect(
      [asks, rule, source].every((text) => text.length > 8),
      name,
    ).toBe(true);
    expect(asOf).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    if (locks) expect(of, name).toContain(locks.answer);
  }
  for (const store of storeKeys) expect(declarations.some(({ stores: askedBy }) => askedBy.includes(store))).toBe(true);
});

describe("a feature leaves one right answer", () => {
  const locked = declarations.flatMap(({ name, of, locks }) =>
    (locks?.features ?? []).map((feature) => ({ name, feature, of, answer: locks?.answer ?? "" })),
  );

  test.each(locked)("$feature: $name is $answer, and to deny it is an error", ({ name, feature, of, answer }) => {
    expect(answerTo(name, [feature])).toMatchObject({ answer, because: expect.any(String) });
    const denied = answerTo(name, [feature], `${name}: "${of.find((word) => word !== answer)}"`);
    expect(denied.codes).toContain("declaration-contradicted");
    expect(denied.answer).toBe(answer);
  });
});

test("what a feature makes unlikely is asked about, and stands where somebody says so", () => {
  expect(answerTo("deletion", ["sign-in"], 'deletion: "no", data: { email: [linked, account] }')).toMatchObject({
    answer: "no",
    codes: ["declaration-doubtful"],
  });
  const stays = 'data: { user-id: "linked, account" }, deletion: "no account"';
  expect(answerTo("deletion", ["sign-in"], stays)).toMatchObject({ answer: "no account", codes: [] });
  expect(answerTo("advertising-id", ["ads"], "advertising: yes, data: { ads-seen: ads }").codes).toEqual([
    "declaration-doubtful",
  ]);
});

describe("data that leaves the device", () => {
  test("is told to Apple by kind: purposes of six, linked, tracking", () => {
    const said =
      "email: [linked, account, marketing], ads-seen: [tracking, ads], photos: function, videos: [linked, personal]";
    for (const store of ["app-store", "mac-app-store"] as const)
      expect(formOf(store, said)).toEqual([
        "App Privacy: Email Address: Used for App Functionality, Developer's Advertising or Marketing; " +
          "linked to the user's identity; not used for tracking",
        "App Privacy: Photos or Videos: Used for App Functionality, Product Personalization; " +
          "linked to the user's identity; not used for tracking",
        "App Privacy: Advertising Data: Used for Third-Party Advertising; not linked to the user's identity; " +
          "used for tracking",
        "App Privacy: everything else: Not collected",
      ]);
  });

  test("is told to Google by kind: shared, ephemeral, optional, purposes of seven", () => {
    const said = "email: [linked, shared, account, messages], location-coarse: [ephemeral, optional, function]";
    expect(formOf("google-play", said)).toEqual([
      "Data safety: Approximate location: Collected, not shared; processed ephemerally; users can choose; " +
        "for App functionality",
      "Data safety: Email address: Collected and shared; not processed ephemerally; required; " +
        "for Account management, Developer communications",
      "Data safety: everything else: Not collected",
    ]);
    // One of two kinds that it takes for one is not optional: then people cannot choose.
    expect(formOf("google-play", "messages: [optional, function], support: function")[0]).toContain("; required; ");
    expect(formOf("google-play", "sensitive: function")).toHaveLength(4);
  });

  test("is told to Microsoft as yes or no; where there is none, each store's form says so", () => {
    expect(formOf("microsoft-store", "crashes: analytics")).toEqual([
      expect.stringMatching(/^Personal information: Yes/),
    ]);
    const { workspace, client } = declaring("data: none");
    const { collected, declared } = declaredFor(workspace, client, { features: [], permissions: [] });
    expect(declared.find(({ declaration }) => declaration.name === "data")?.answer?.value).toBe("none");
    expect(storeKeys.map((key) => dataLines(stores[key], collected)[0]?.text)).toEqual([
      "No data is collected or shared",
      "No, we do not collect data from this app",
      "No, we do not collect data from this app",
      "No: the product does not access, collect or transmit personal information",
    ]);
  });

  test.each([
    ["emial: account", '"email"'],
    ["email: linked", "one or more of function, account"],
    ["email: [linked, acount]", '"account"'],
    ["email: [no, linked]", "function, account"],
  ])("with a fault is told: %s", (data, expected) => {
    const { workspace, client } = declaring(`data: { ${data} }`);
    const { problems, declared } = declaredFor(workspace, client, { features: [], permissions: [] });
    expect(problems[0]).toMatchObject({ code: "declaration-invalid", place: { file: brief } });
    expect(problems[0]?.expected).toContain(expected);
    expect(declared.find(({ declaration }) => declaration.name === "data")?.answer).toBeUndefined();
  });

  test("is held against what the app has, and against whether it follows people", () => {
    const codes = (features: readonly string[], declares: string) => answerTo("data", features, declares).codes;
    expect(codes(["analytics"], "data: none")).toEqual(["declaration-contradicted"]);
    expect(codes(["analytics"], "data: { interactions: analytics }")).toEqual([]);
    expect(codes(["sign-in"], "data: none")).toEqual(["declaration-doubtful"]);
    expect(codes([], "data: { ads-seen: [tracking, ads] }")).toEqual(["declaration-contradicted"]);
    expect(codes([], "data: { ads-seen: [tracking, ads] }, tracking: yes")).toEqual([]);
    expect(codes([], "tracking: yes")).toEqual(["declaration-contradicted"]);
    // A camera's pictures may stay on the device.
    expect(codes(["camera", "photos", "location"], "data: none")).toEqual([]);
  });
});

test("what a permission of the template's manifest makes the store ask is asked then alone", () => {
  const wakes = ["android.permission.USE_EXACT_ALARM"];
  expect(answerTo("exact-alarms").codes).toEqual([]);
  const names = (permissions: readonly string[]) => {
    const { workspace, client } = declaring();
    return declaredFor(workspace, client, { features: [], permissions }).declared.map(
      ({ declaration }) => declaration.name,
    );
  };
  expect(names([])).not.toContain("exact-alarms");
  expect(names(wakes)).toContain("exact-alarms");
  expect(names(["android.permission.FOREGROUND_SERVICE"])).not.toContain("foreground-services");
  expect(names(["android.permission.FOREGROUND_SERVICE_LOCATION"])).toContain("foreground-services");
  expect(answerTo("exact-alarms", [], "exact-alarms: declared", wakes)).toMatchObject({
    answer: "declared",
    codes: [],
  });
  expect(answerTo("exact-alarms", [], "exact-alarms: not needed", wakes).codes).toEqual(["declaration-contradicted"]);
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
    const [problem] = declaredFor(workspace, client, { features: [], permissions: [] }).problems;
    expect(problem).toMatchObject({ expected: '"advertising"', place: { file: brief } });
  });

  test("may be several words where the question says so, in the order of the table; none stands alone", () => {
    const answer = (said: string) => answerTo("accessibility", [], `accessibility: ${said}`);
    expect(answer("[captions, voiceover]").answer).toBe("voiceover, captions");
    expect(answer('"captions, voiceover"').answer).toBe("voiceover, captions");
    expect(answer("none").codes).toEqual([]);
    expect(answer("[none, captions]").codes).toEqual(["declaration-invalid"]);
    expect(answer("[]").codes).toEqual(["declaration-invalid"]);
    expect(answerTo("advertising", [], "advertising: [yes, no]").codes).toEqual(["declaration-invalid"]);
  });

  test("to a question of former times is told with what is asked now, in template.yaml too", () => {
    edit(folder, "template.yaml", (text) => text.replace("declares:\n", 'declares:\n  data-photos: "no"\n'));
    const { workspace, client } = declaring();
    expect(declaredFor(workspace, client, { features: [], permissions: [] }).problems[0]).toMatchObject({
      message: "Stores ask otherwise now: data-photos is no longer a question.",
      expected: expect.stringContaining("by kind"),
      place: { file: "template.yaml" },
    });
    edit(folder, "template.yaml", (text) => text.replace('  data-photos: "no"\n', ""));
  });

  test("goes to the stores that ask, and says whether the app handles what belongs to a person", () => {
    const { workspace, client } = declaring();
    const plain = declaredFor(workspace, client, { features: [], permissions: [] }).declared;
    const said = (value: string) => trace({ by: "brief", note: "", value });
    const denied = plain.map((each) => ({ ...each, answer: said(each.declaration.name === "data" ? "none" : "no") }));
    const tracking = denied.map((each) =>
      each.declaration.name === "tracking" ? { ...each, answer: said("yes") } : each,
    );
    expect([denied, tracking].map((each) => wantsPolicy([], each))).toEqual([false, true]);
    // What uses a camera has a policy, and collects nothing by that alone.
    expect(wantsPolicy(["camera"], denied)).toBe(true);
    const names = declaredTo("mac-app-store", plain).map(({ declaration }) => declaration.name);
    expect(names).toContain("encryption");
    expect(names).not.toContain("news");
    const ofWindows = declaredTo("microsoft-store", plain).map(({ declaration }) => declaration.name);
    expect(ofWindows).toContain("encryption");
    expect(ofWindows).not.toContain("accessibility");
  });
});
