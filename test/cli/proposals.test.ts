import { cpSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { parse } from "yaml";
import { buildSchema } from "../../src/core/agency/workspace/schema/builds.ts";
import { fixtures } from "../support/around.ts";
import { oxalis, temporaryFolder } from "../support/oxalis.ts";

/** What `init` proposes as steps, with its marks of a comment taken away, by platform: what is typed first, and what comes out. */
function proposed(template: string): Record<string, string> {
  const folder = temporaryFolder();
  cpSync(template, join(folder, "template"), { recursive: true });
  oxalis(folder, "init", ".", "--template", "template", "--agency", "Lanternfield");
  const text = readFileSync(join(folder, "template.yaml"), "utf8");
  const at = text.indexOf("# builds:\n");
  if (at < 0) return {};
  const { builds } = parse(text.slice(at).replace(/^# /gm, ""));
  return Object.fromEntries(
    Object.entries(builds).map(([platform, each]) => {
      const { steps, gives, on } = buildSchema.parse(each);
      return [platform, [on, steps[0]?.in, steps[0]?.run, Object.values(gives)[0]].filter(Boolean).join(" | ")];
    }),
  );
}

test("steps are proposed by what lies in the template, as what template.yaml may say, and as a comment", () => {
  expect(proposed(join(import.meta.dirname, "../../demo/template"))).toEqual({
    android: "android | gradle :app:bundleRelease | android/app/build/outputs/bundle/release/*.aab",
    ios: 'mac | xcodebuild -project Storefront.xcodeproj -scheme "Storefront" -archivePath out/app.xcarchive archive | ios/out/*.ipa',
    windows:
      "windows | windows | msbuild Storefront.csproj /restore /p:Configuration=Release " +
      "/p:UapAppxPackageBuildMode=StoreUpload /p:AppxBundle=Never | windows/AppPackages/**/*.msix",
    web: "mkdir -p ../out && tar czf ../out/site.tar.gz --exclude=./out . | out/site.tar.gz",
  });
  expect(proposed(join(fixtures, "dart-layout"))).toMatchObject({
    android: ". | flutter build appbundle | build/app/outputs/bundle/release/*.aab",
    ios: "mac | . | flutter build ipa | build/ios/ipa/*.ipa",
  });
  const all = readdirSync(fixtures).map((name) => proposed(join(fixtures, name)));
  expect(all.filter((each) => Object.keys(each).length > 0).length).toBeGreaterThan(all.length / 2);
});
