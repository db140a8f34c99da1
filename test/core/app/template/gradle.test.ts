import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";
import { appModules, valuesOf } from "../../../../src/core/app/platforms/android/gradle-project.ts";
import { openFolder } from "../../../../src/core/ground/files/reading/folder.ts";
import { temporaryFolder } from "../../../support/oxalis.ts";

/** Where a module's build reads its application ID from: the file, and what stands there. */
function identifierIn(files: Readonly<Record<string, string>>): string[] {
  const root = temporaryFolder();
  const all = { "app/src/main/AndroidManifest.xml": "<manifest/>", "settings.gradle": "", ...files };
  for (const [file, text] of Object.entries(all)) {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), text);
  }
  const [module] = appModules(openFolder(root));
  if (!module) throw new Error("no module");
  return valuesOf(module, "applicationId").flatMap(({ sites }) => sites.map(({ file, value }) => `${file} ${value}`));
}

const kotlin = (value: string) => `android { defaultConfig { applicationId = ${value} } }`;
const groovy = (value: string) => `android { defaultConfig { applicationId ${value} } }`;

test.each([
  ["a literal", { "app/build.gradle": groovy("'a.b'") }, "app/build.gradle a.b"],
  [
    "a property of the project",
    { "app/build.gradle": groovy("project.property('ID')"), "gradle.properties": "ID=a.b" },
    "gradle.properties a.b",
  ],
  [
    "one with a default",
    {
      "app/build.gradle.kts": kotlin('providers.gradleProperty("my.id").getOrElse("no")'),
      "gradle.properties": "my.id = a.b",
    },
    "gradle.properties a.b",
  ],
  [
    "a bare property",
    { "app/build.gradle": groovy("APP_ID"), "gradle.properties": "APP_ID=a.b" },
    "gradle.properties a.b",
  ],
  [
    "the module's own properties first",
    {
      "app/build.gradle": groovy("APP_ID"),
      "app/gradle.properties": "APP_ID=a.b",
      "gradle.properties": "APP_ID=no",
    },
    "app/gradle.properties a.b",
  ],
  ["a variable of the script", { "app/build.gradle": `def appId = "a.b"\n${groovy("appId")}` }, "app/build.gradle a.b"],
  [
    "a value put into a string",
    { "app/build.gradle.kts": `val appId = "a.b"\n${kotlin('"$appId"')}` },
    "app/build.gradle.kts a.b",
  ],
  [
    "the root script's extra",
    {
      "build.gradle": "ext { ids = 'no'\n appId = 'a.b' }",
      "app/build.gradle": groovy("rootProject.ext.appId"),
    },
    "build.gradle a.b",
  ],
  [
    "Kotlin's extra",
    {
      "build.gradle.kts": 'extra["appId"] = "a.b"',
      "app/build.gradle.kts": kotlin('rootProject.extra["appId"] as String'),
    },
    "build.gradle.kts a.b",
  ],
  [
    "Kotlin's delegate",
    { "build.gradle.kts": 'val appId by extra("a.b")', "app/build.gradle.kts": kotlin("appId") },
    "build.gradle.kts a.b",
  ],
  [
    "a constant of the build's code",
    {
      "buildSrc/src/main/kotlin/Ids.kt": 'object Ids {\n  const val APP = "a.b"\n}',
      "app/build.gradle.kts": kotlin("Ids.APP"),
    },
    "buildSrc/src/main/kotlin/Ids.kt a.b",
  ],
  [
    "a catalog",
    {
      "gradle/libs.versions.toml": '[versions]\nmy-app_id = "a.b"\n[plugins]\nmy-app_id = "no"',
      "app/build.gradle.kts": kotlin("libs.versions.my.app.id.get()"),
    },
    "gradle/libs.versions.toml a.b",
  ],
  [
    "one variable that names another",
    { "app/build.gradle": `def a = b\ndef b = 'a.b'\n${groovy("a")}` },
    "app/build.gradle a.b",
  ],
])("%s is followed to where it is written", (_, files, found) => {
  expect(identifierIn(files as Record<string, string>)).toEqual([found]);
});

test("what the build works out is no place; names that lead in a circle come to an end", () => {
  expect(identifierIn({ "app/build.gradle": groovy("makeId(1)") })).toEqual([]);
  expect(identifierIn({ "app/build.gradle": `def a = b\ndef b = a\n${groovy("a")}` })).toEqual([]);
});

test("the app is the module that makes one: a library beside it, and a plugin that is only named, are none", () => {
  expect(
    identifierIn({
      "build.gradle.kts": 'plugins { id("com.android.application") version "8" apply false }',
      "core/build.gradle.kts": 'plugins { id("com.android.library") }\nandroid { namespace = "no" }',
      "app/build.gradle.kts":
        'plugins { id("com.android.application") }\nandroid { defaultConfig { applicationId = "a.b" } }',
    }),
  ).toEqual(["app/build.gradle.kts a.b"]);
});
