import { expect, test } from "vitest";
import { failureIn } from "../../../src/core/making/building/failures.ts";

/** What tools have printed, and what a producer is told of it. */
const logs: readonly [log: string, says: string, at: string | undefined, isShared: boolean][] = [
  [
    "> Task :app:validateSigningRelease FAILED\nFAILURE: Build failed with an exception.\n* What went wrong:\nExecution failed for task ':app:validateSigningRelease'.\n> Keystore file '/srv/keys/hill.p12' not found for signing config 'clientRelease'.\n",
    "The key store that signs it is not there",
    "/srv/keys/hill.p12",
    false,
  ],
  [
    "* What went wrong:\nExecution failed for task ':app:packageRelease'.\n> com.android.ide.common.signing.KeytoolException: Failed to read key upload from store \"/srv/a.p12\": keystore password was incorrect\n",
    "The key store does not open by the password that was given",
    undefined,
    false,
  ],
  [
    "e: file:///w/app/src/main/java/Shop.kt:12:9 Unresolved reference: crates\n\nFAILURE: Build failed with an exception.\n* What went wrong:\nCompilation error. See log for more details\n",
    "The code does not compile: Unresolved reference: crates",
    "/w/app/src/main/java/Shop.kt:12",
    true,
  ],
  [
    "* What went wrong:\nCould not determine the dependencies of task ':app:compileReleaseJavaWithJavac'.\n> SDK location not found. Define a valid SDK location with an ANDROID_HOME environment variable\n",
    "The Android SDK is not found: ANDROID_HOME does not say where it is",
    undefined,
    true,
  ],
  [
    "app/src/main/res/values/texts.xml:14: error: invalid unicode escape sequence in string\nerror: failed parsing\n",
    "A resource is not as Android wants it: invalid unicode escape sequence in string",
    "app/src/main/res/values/texts.xml:14",
    false,
  ],
  [
    "error: No profiles for 'example.hill.shop' were found: Xcode couldn't find any iOS App Store provisioning profiles\n** ARCHIVE FAILED **\n",
    "No provisioning profile for example.hill.shop is on this machine",
    undefined,
    false,
  ],
  [
    "error: Provisioning profile \"Hill Store\" doesn't include the aps-environment entitlement. (in target 'Shop')\n",
    'The profile "Hill Store" does not hold the aps-environment entitlement',
    undefined,
    false,
  ],
  [
    "/w/ios/Shop/Shelf.swift:31:17: error: cannot find 'crate' in scope\n** BUILD FAILED **\n",
    "The code does not compile: cannot find 'crate' in scope",
    "/w/ios/Shop/Shelf.swift:31",
    true,
  ],
  [
    "Package.appxmanifest(12,6): error APPX0501: Validation error. The value 'x y' is not valid [C:\\w\\Shop.csproj]\n",
    "Validation error. The value 'x y' is not valid (APPX0501)",
    "Package.appxmanifest:12",
    false,
  ],
  ['npm error Missing script: "bundle"\nnpm error\n', 'package.json has no script called "bundle"', undefined, true],
  ["write error: No space left on device\n", "The disk is full", undefined, true],
  ["/bin/sh: 1: gradle: not found\n", "gradle is not on this machine", undefined, true],
  [
    "FAILURE:\n* What went wrong:\nTask 'bundleStore' not found in root project.\n",
    "Task 'bundleStore' not found in root project.",
    undefined,
    false,
  ],
];

test("what tools print of a failure is told in a sentence, with its place, and whom it stops", () => {
  for (const [log, says, at, isShared] of logs)
    expect(failureIn(`before\n${log}after\n`)).toEqual({ says, ...(at === undefined ? {} : { at }), isShared });
  expect(failureIn("12 files written\nwarning: nothing to do\n0 errors\n")).toBeUndefined();
});
