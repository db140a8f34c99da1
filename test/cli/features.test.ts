import { join } from "node:path";
import { expect, test } from "vitest";
import { around, aroundChanged, change, expectClean, fixtures, text } from "../support/around.ts";
import { edit, oxalis } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";

const declared = `features:
  camera: { android: { components: [.ScanActivity] }, web: { members: [shortcuts], elements: ["#scan"] } }
  microphone: {}
  push: { starts: "off", android: { components: [.PushService] }, web: { elements: ["#push"] } }
  sign-in: {}
  sharing: { windows: { extensions: [windows.shareTarget] }, web: { members: [share_target] } }
`;
const files = [
  "android/app/src/main/AndroidManifest.xml",
  "ios/Tides.xcodeproj/project.pbxproj",
  "ios/Tides/Info.plist",
  "ios/Tides/Tides.entitlements",
  "ios/Tides/en.lproj/InfoPlist.strings",
  "windows/Package.appxmanifest",
  "web/index.html",
  "web/tides.webmanifest",
];
/** What a feature is by in the build files. */
const traces = {
  camera: /CAMERA|hardware\.camera|ScanActivity|NSCamera|webcam|shortcuts|id="scan"/,
  microphone: /[Mm]icrophone/,
  push: /POST_NOTIFICATIONS|PushService|aps-environment|remote-notification|id="push"/,
  "sign-in": /applesignin/,
  sharing: /shareTarget|share_target/,
} as const;

function expectWellFormed(variant: string): void {
  JSON.parse(text(variant, "web/tides.webmanifest"));
  if (hasTool("xmllint"))
    for (const file of files.filter((each) => /xml$|appxmanifest$|plist$|entitlements$/.test(each)))
      tool("xmllint", ["--noout", "--nonet", join(variant, file)]);
  if (hasTool("plistutil"))
    for (const file of ["Info.plist", "Tides.entitlements"])
      tool("plistutil", ["-i", join(variant, "ios/Tides", file), "-o", "/dev/null"]);
}

test("off means gone from every build file, and nothing else with it", () => {
  const { root, variant } = around(
    "switches",
    declared,
    'features: { camera: off, microphone: "off", push: false, sign-in: off, sharing: off }\n',
  );
  expectClean(root);
  expectWellFormed(variant);
  for (const file of files) {
    const written = text(variant, file);
    for (const trace of Object.values(traces)) expect([file, trace.exec(written)?.[0]]).toEqual([file, undefined]);
  }
  const manifest = text(variant, files[0] as string);
  expect(manifest).toContain("android.permission.INTERNET");
  expect(manifest).toContain('android:name=".Main"');
  expect(manifest).toMatch(/Reads the code on a mooring\. -->\n {8}<\/application>|mooring\. -->\n {4}<\/application>/);
  expect(text(variant, "ios/Tides/Info.plist")).toContain("<string>fetch</string>");
  expect(text(variant, "windows/Package.appxmanifest")).toContain('<Capability Name="internetClient" />');
  expect(JSON.parse(text(variant, "web/tides.webmanifest"))).toMatchObject({ short_name: "Bothy $1" });
});

test("on means there, with what people read in each language; who starts off stays off", () => {
  const { root, variant } = around(
    "switches",
    declared,
    `features:
  camera: { usage: { en: "Scans the code & \\"tide\\"", de: Liest den Code } }
  microphone: { usage: Listens to the sea }
  sharing: on
`,
  );
  expectClean(root);
  expectWellFormed(variant);
  const all = files.map((file) => text(variant, file)).join("\n");
  for (const name of ["camera", "microphone", "sign-in", "sharing"] as const) expect(all).toMatch(traces[name]);
  expect(all).not.toMatch(traces.push);
  expect(text(variant, "ios/Tides/Info.plist")).toContain('<string>Scans the code &amp; "tide"</string>');
  expect(text(variant, "ios/Tides/en.lproj/InfoPlist.strings")).toContain(
    'NSCameraUsageDescription = "Scans the code & \\"tide\\""; /* asked once */',
  );
  expect(text(variant, "ios/Tides/de.lproj/InfoPlist.strings")).toContain(
    'NSCameraUsageDescription = "Liest den Code";',
  );
  expect(text(variant, "ios/Tides.xcodeproj/project.pbxproj")).toContain('"Listens to the sea"');
  const told = oxalis(root, "explain", "bothy").out;
  expect(told).toContain("features.push  off\n    as the template has it  template.yaml:");
  expect(told).toMatch(
    /features\.camera {2}on\n {4}given in the brief {2}clients\/bothy\/brief\.yaml:9:11\n {4}usage {2}Scans/,
  );
});

test("what template.yaml names and the template lacks is put in where the feature is on, once", () => {
  const named = `features:
  camera: { starts: "off" }
  microphone: { starts: "off" }
  push: {}
  sign-in: {}
  sharing: {}
  radio:
    android: { permissions: [android.permission.NFC, android.hardware.nfc] }
    windows: { capabilities: [proximity, runFullTrust] }
  tags:
    android: { permissions: [android.permission.NFC] }
    windows: { capabilities: [phoneCall, broadFileSystemAccess, internetClientServer] }
`;
  const { root, variant } = around("switches", named, "features: { radio: on, tags: on }\n");
  expectClean(root);
  expectWellFormed(variant);
  const manifest = text(variant, files[0] as string);
  expect(manifest.match(/<uses-permission android:name="android\.permission\.NFC" \/>/g)).toHaveLength(1);
  expect(manifest).toContain('<uses-feature android:name="android.hardware.nfc" android:required="false" />');
  const capabilities = /<Capabilities>[\s\S]*<\/Capabilities>/.exec(text(variant, "windows/Package.appxmanifest"))?.[0];
  expect(capabilities?.match(/Name="\w+"/g)?.at(-1)).toBe('Name="proximity"');
  // Each in the namespace that has it (Microsoft, App capability declarations); one that lacked is named once.
  for (const each of ['uap:Capability Name="phoneCall"', '<Capability Name="internetClientServer"'])
    expect(capabilities).toContain(each);
  for (const name of ["runFullTrust", "broadFileSystemAccess"])
    expect(capabilities).toContain(`<rescap:Capability Name="${name}" />`);
  expect(
    text(variant, "windows/Package.appxmanifest").match(/xmlns:rescap="[^"]*restrictedcapabilities"/g),
  ).toHaveLength(1);
  const without = around("switches", named, "features: { radio: off, tags: off }\n");
  expect(text(without.variant, files[0] as string)).not.toMatch(/nfc/i);
  expect(text(without.variant, "windows/Package.appxmanifest")).not.toMatch(/proximity|phoneCall/);
});

test("off keeps out what libraries bring, leaves the ways back of other services, and a capability nobody knows is told", () => {
  const notes = `features:
  push: {}
  microphone: {}
  deep-links: {}
  presence: { windows: { capabilities: [humanPresense, quayside.lamp_8wekyb3d8bbwe] } }
`;
  const { root, variant } = aroundChanged(
    "switches",
    notes,
    "features: { push: off, microphone: off, deep-links: off, presence: on }\n",
    (app) => {
      const scheme = (...names: string[]) =>
        `<dict><key>CFBundleURLSchemes</key><array>${names.map((each) => `<string>${each}</string>`).join("")}</array></dict>`;
      change(
        app,
        "android/app/build.gradle.kts",
        (text) => `${text}\ndependencies { implementation("com.google.firebase:firebase-messaging:24.1.0") }\n`,
      );
      change(app, "android/app/src/main/AndroidManifest.xml", (text) =>
        text.replace(
          /(<activity[^>]*>)/,
          `$1
        <intent-filter><action android:name="android.intent.action.VIEW"/><category android:name="android.intent.category.BROWSABLE"/><data android:scheme="tides"/></intent-filter>
        <intent-filter><action android:name="android.intent.action.VIEW"/><category android:name="android.intent.category.BROWSABLE"/><data android:scheme="fb1234567"/></intent-filter>`,
        ),
      );
      change(app, "ios/Tides/Info.plist", (text) =>
        text.replace(
          "<dict>",
          `<dict><key>CFBundleURLTypes</key><array>${scheme("tides")}${scheme("tidesalt", "com.googleusercontent.apps.1-a")}</array>`,
        ),
      );
      change(app, "windows/Package.appxmanifest", (text) =>
        text.replace(
          "<Extensions>",
          '<Extensions><uap:Extension Category="windows.protocol"><uap:Protocol Name="tides"/></uap:Extension><uap:Extension Category="windows.protocol"><uap:Protocol Name="msauth.tides"/></uap:Extension>',
        ),
      );
    },
  );
  expectWellFormed(variant);
  const manifest = text(variant, files[0] as string);
  // What the template's own manifest had is gone; what a library brings is kept out of what is put together.
  expect(manifest.match(/POST_NOTIFICATIONS"[^>]*/g)).toEqual(['POST_NOTIFICATIONS" tools:node="remove" /']);
  expect(manifest.match(/xmlns:tools=/g)).toHaveLength(1);
  expect(manifest).not.toContain("RECORD_AUDIO");
  expect([manifest.includes('scheme="tides"'), manifest.includes('scheme="fb1234567"')]).toEqual([false, true]);
  const list = text(variant, "ios/Tides/Info.plist");
  expect(list.match(/<string>[^<]*(tides|google)[^<]*<\/string>/g)).toEqual([
    "<string>com.googleusercontent.apps.1-a</string>",
  ]);
  const windows = text(variant, "windows/Package.appxmanifest");
  expect(windows.match(/Protocol Name="[^"]*"/g)).toEqual(['Protocol Name="msauth.tides"']);
  expect(windows).toContain('<uap4:CustomCapability Name="quayside.lamp_8wekyb3d8bbwe" />');
  expect(windows).not.toContain("humanPresense");
  expect(oxalis(root, "check").err).toContain('no capability is called "humanPresense"');
});

test("a text that is missing, and a feature that is not there, are told with their lines", () => {
  const { root } = around("switches", declared, "features: { camera: off, microphone: off }\n");
  edit(root, "clients/bothy/brief.yaml", (brief) =>
    brief.replace("camera: off, microphone: off", "camera: on, mikrophone: off"),
  );
  const { code, err } = oxalis(root, "check");
  expect(code).toBe(1);
  expect(err).toContain("Nothing says what people read when the app asks for camera.  [usage-missing]");
  expect(err).toContain("clients/bothy/brief.yaml:8:21");
  expect(err).toContain('expected  "microphone"');
});

test("a lock that wide screens do not keep to is told to whoever wants to know, and nobody else", () => {
  const { root } = around("switches", "", "orientation: portrait\n");
  const text = "Tablets and unfolded phones turn an app that is portrait all the same.";
  expect(oxalis(root, "check", "-v").err).toContain(text);
  expect(oxalis(root, "check").err).not.toContain(text);
});

test("how the app may be turned, and what it is for, in each platform's form; without a word nothing changes", () => {
  const off = "features: { camera: off, microphone: off }\n";
  const { root, variant } = around("switches", declared, `${off}orientation: landscape\ndevices: tablet\n`);
  expectClean(root);
  expectWellFormed(variant);
  expect(text(variant, files[0] as string)).toContain(
    '<activity android:name=".Main" android:screenOrientation="landscape" android:exported="true">',
  );
  expect(text(variant, files[0] as string)).toMatch(
    new RegExp(
      '<supports-screens android:smallScreens="false" android:normalScreens="false" ' +
        'android:largeScreens="true" android:xlargeScreens="true" />',
    ),
  );
  const list = text(variant, "ios/Tides/Info.plist");
  const turns = (key: string) =>
    new RegExp(`<key>${key}</key>\\s*<array>([^]*?)</array>`).exec(list)?.[1]?.match(/Orientation(\w+)(?=<)/g);
  expect(turns("UISupportedInterfaceOrientations")).toEqual(["OrientationLandscapeLeft", "OrientationLandscapeRight"]);
  // An iPad app that shares the screen is refused without all four.
  expect(turns("UISupportedInterfaceOrientations~ipad")).toHaveLength(4);
  expect(text(variant, "ios/Tides.xcodeproj/project.pbxproj")).toContain("TARGETED_DEVICE_FAMILY = 2;");
  expect(text(variant, "windows/Package.appxmanifest")).toContain('<uap:Rotation Preference="landscape" />');
  expect(JSON.parse(text(variant, "web/tides.webmanifest")).orientation).toBe("landscape");
  const silent = around("switches", declared, off);
  for (const file of files.filter((each) => !each.endsWith(".html")))
    expect(text(silent.variant, file)).not.toMatch(/landscape|supports-screens|DEVICE_FAMILY/i);
  expect(text(fixtures, "switches/ios/Tides/Info.plist")).toContain("Portrait");
});
