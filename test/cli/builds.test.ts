import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { parse } from "yaml";
import { plistStrings } from "../../src/core/formats/splice/formats/plist.ts";
import { around, expectClean, text } from "../support/around.ts";
import { edit, oxalis } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";

const notes = `allow: [{ file: "**", text: Tide Table, reason: the code's own name }]
runtime:
  - file: web/run.json
    values: { name: "{app.name}", api: "https://{domain}/api" }
  - file: ios/Run.xcconfig
    values: { API: "https://{domain}/api" }
  - file: android/run.properties
    values: { name: "{app.name}" }
features: { camera: { starts: "off" }, microphone: { starts: "off" } }
`;

test("each variant has what its builds need and no secret; the list names every build", () => {
  const { root, variant } = around("switches", notes, "signing: { team: A1B2C3D4E5, profile: Bothy & Sons Store }\n");
  expectClean(root);
  expect(JSON.parse(text(variant, "web/run.json"))).toEqual({
    name: 'Brennan\'s "Bothy" & Sons',
    api: "https://brennan.example/api",
  });
  expect(text(variant, "ios/Run.xcconfig")).toBe("API = https:/$()/brennan.example/api\n");
  expect(text(variant, "android/run.properties")).toBe('name=Brennan\'s "Bothy" & Sons\n');
  expect(text(variant, "android/signing.gradle")).toContain(
    'storePassword System.getenv("SIGNING_BOTHY_STORE_PASSWORD")',
  );
  const options = join(variant, "ios/ExportOptions.plist");
  if (hasTool("plistutil")) tool("plistutil", ["-i", options, "-o", "/dev/null"]);
  const strings = plistStrings("f", { file: "f", text: readFileSync(options, "utf8") });
  expect(strings.map(({ path, site }) => [path.join("/"), site.value])).toEqual([
    ["method", "app-store-connect"],
    [`provisioningProfiles/example.brennan.brennansbothyandsons`, "Bothy & Sons Store"],
    ["signingStyle", "manual"],
    ["teamID", "A1B2C3D4E5"],
  ]);
  const builds = JSON.parse(readFileSync(join(root, "variants/builds.json"), "utf8"));
  expect(builds.map((each: { platform: string; folder: string }) => `${each.platform} ${each.folder}`)).toEqual([
    "android variants/bothy/android",
    "ios variants/bothy/ios",
    "windows variants/bothy/windows",
    "web variants/bothy/web",
  ]);
  expect(builds[0]).toMatchObject({
    client: "bothy",
    version: "2.5.1",
    build: "57",
    signing: "SIGNING_BOTHY",
  });
  const workflow = parse(readFileSync(join(root, "variants/builds.example.yml"), "utf8"));
  expect(workflow.jobs.build.strategy.matrix).toContain("fromJSON");
  // The example's own line makes of the list what its server wants.
  const { run } = workflow.jobs.generate.steps.find(({ id }: { id?: string }) => id === "read");
  execFileSync("sh", ["-c", run], { cwd: root, env: { ...process.env, GITHUB_OUTPUT: "said.txt" } });
  expect(JSON.parse(text(root, "said.txt").replace("matrix=", ""))).toEqual({ include: builds });

  edit(root, "clients/bothy/brief.yaml", (brief) => brief.replace("A1B2C3D4E5", "producer@bothy.example"));
  const refused = oxalis(root, "check", "-q");
  expect([refused.code, refused.err]).toEqual([1, expect.stringContaining("an Apple team ID")]);
});
