import { describe, expect, test } from "vitest";
import { parse } from "yaml";
import { aroundFiles } from "../support/around-files.ts";
import { isDrawn, made, picture, settle } from "../support/made.ts";
import { oxalis } from "../support/oxalis.ts";

describe("a game engine's project", () => {
  test("of which an editor makes the native ones is the client's, its icons by the numbers beside them", async () => {
    const [icon, below, above, start] = ["1", "2", "3", "a"].map((digit) => digit.repeat(32));
    const settings = `%YAML 1.1
%TAG !u! tag:unity3d.com,2011:
--- !u!129 &1
PlayerSettings:
  companyName: Tinwhistle Games
  productName: Marble Run
  m_SplashScreenBackgroundColor: {r: 0.13725491, g: 0.12156863, b: 0.1254902, a: 1}
  bundleVersion: 1.10
  applicationIdentifier:
    Android: com.tinwhistle.marblerun
    iPhone: com.tinwhistle.marblerun
  buildNumber:
    iPhone: 12
  AndroidBundleVersionCode: 12
  appleDeveloperTeamID: A1B2C3D4E5
  AndroidKeystoreName: '{inproject}: keys/tinwhistle.keystore'
  androidSplashScreen: {fileID: 2800000, guid: ${start}, type: 3}
  m_BuildTargetIcons:
  - m_BuildTarget: 
    m_Icons:
    - m_Icon: {fileID: 2800000, guid: ${icon}, type: 3}
    - m_Icon: {fileID: 10404, guid: 0000000000000000f000000000000000, type: 0}
    - m_Icon: {fileID: 2800000, guid: ${"9".repeat(32)}, type: 3}
  m_BuildTargetPlatformIcons:
  - m_BuildTarget: Android
    m_Icons:
    - m_Textures:
      - {fileID: 2800000, guid: ${below}, type: 3}
      - {fileID: 2800000, guid: ${above}, type: 3}
  cameraUsageDescription: Marble Run takes pictures of marbles.
`;
    const art = { icon, below, above, start } as Record<string, string>;
    const pictures = await Promise.all(
      Object.entries(art).map(async ([name, number]) => ({
        [`Assets/Art/${name}.png`]: await picture(192),
        [`Assets/Art/${name}.png.meta`]: `fileFormatVersion: 2\nguid: ${number}\n`,
      })),
    );
    const { root, started } = aroundFiles({
      ...Object.assign({}, ...pictures),
      "ProjectSettings/ProjectSettings.asset": settings,
      "Assets/Share.cs": 'class Share {\n  void Start() { Debug.Log("Marble Run"); }\n}\n',
    });
    expect(started.err).toContain("signs with {inproject}: keys/tinwhistle.keystore, and no variant gets it");
    expect(started.err).not.toContain("icon");
    expect(started.err.match(/named by the number \d+/g)).toEqual([`named by the number ${"9".repeat(32)}`]);
    const file = "ProjectSettings/ProjectSettings.asset";
    const own = parse(made(root, file), { logLevel: "error" }).PlayerSettings;
    expect(own).toMatchObject({
      ...{ companyName: "Kelp & O'Hara Ltd", bundleVersion: "2.5.1", AndroidBundleVersionCode: 1 },
      applicationIdentifier: { Android: "example.kelp.kelpandohara", iPhone: "example.kelp.kelpandohara" },
      cameraUsageDescription: "Marble Run takes pictures of marbles.",
      androidSplashScreen: { guid: start },
    });
    expect(own.productName).not.toContain("Marble");
    expect(own.m_SplashScreenBackgroundColor.r).not.toBe(0.13725491);
    for (const name of Object.keys(art)) expect([name, isDrawn(root, `Assets/Art/${name}.png`)]).toEqual([name, true]);
    const { err } = oxalis(root, "audit");
    expect(err).toContain("at: PlayerSettings.cameraUsageDescription");
    expect(err).toContain('"A1B2C3D4E5", which is the template\'s');
    expect(err).not.toContain("Share.cs"); // developers read logs
    settle(root);
    expect(parse(made(root, file), { logLevel: "error" }).PlayerSettings.cameraUsageDescription).toBe(
      "Kelp & O'Hara takes pictures of marbles.",
    );
  });

  test("that its engine packs by itself is the client's, whatever its settings are called", async () => {
    const { root } = aroundFiles({
      "game.project": `[project]
title = Marble Run
version = 1.4.2
publisher = Tinwhistle Games

[android]
package = com.tinwhistle.run
version_code = 14
app_icon_72x72 = /icons/72.png

[osx]
bundle_identifier = com.tinwhistle.run
`,
      "main/main.script": 'function init(self) -- Marble Run\n  label.set_text("#t", "Come to Marble Run")\nend\n',
      "icons/72.png": await picture(72),
    });
    expect(made(root, "game.project")).toBe(`[project]
title = Kelp
version = 2.5.1
publisher = Kelp & O'Hara Ltd

[android]
package = example.kelp.kelpandohara
version_code = 1
app_icon_72x72 = /icons/72.png

[osx]
bundle_identifier = example.kelp.kelpandohara
`);
    expect(isDrawn(root, "icons/72.png")).toBe(true);
    settle(root);
    expect(made(root, "main/main.script")).toContain(
      `-- Marble Run\n  label.set_text("#t", "Come to Kelp & O\\'Hara")`,
    );
    expect(oxalis(root, "audit").err).toBe("");
  });

  test("of which an editor notes what each platform gets is the client's; whose keys sign it is told", async () => {
    const { root, started } = aroundFiles({
      "Run.uproject": '{ "FileVersion": 3, "Modules": [{ "Name": "MarbleRun" }] }\n',
      "Config/DefaultGame.ini": `[/Script/EngineSettings.GeneralProjectSettings]
ProjectName=Marble Run
CompanyName=Tinwhistle Games
Homepage=https://tinwhistle.example
ProjectVersion=1.4.2
`,
      "Config/DefaultEngine.ini": `[/Script/AndroidRuntimeSettings.AndroidRuntimeSettings]
PackageName=com.tinwhistle.[PROJECT]
StoreVersion=14
KeyStore=tinwhistle.keystore

[/Script/IOSRuntimeSettings.IOSRuntimeSettings]
BundleDisplayName=Marble Run
BundleIdentifier=com.tinwhistle.run
IOSTeamID=A1B2C3D4E5
`,
      "Build/Android/res/drawable-hdpi/icon.png": await picture(72),
      "Build/IOS/Resources/Graphics/Icon1024.png": await picture(1024),
    });
    expect(started.err).toContain("signs with tinwhistle.keystore, and no variant gets it");
    expect(made(root, "Config/DefaultGame.ini")).toContain(
      "ProjectName=Kelp & O'Hara\nCompanyName=Kelp & O'Hara Ltd\nHomepage=https://kelp.example\nProjectVersion=2.5.1\n",
    );
    expect(made(root, "Config/DefaultEngine.ini")).toMatch(
      /PackageName=example.kelp.kelpandohara\nStoreVersion=1\n[\s\S]*DisplayName=Kelp\nBundleIdentifier=example.kelp.kelp/,
    );
    for (const file of ["Build/Android/res/drawable-hdpi/icon.png", "Build/IOS/Resources/Graphics/Icon1024.png"])
      expect([file, isDrawn(root, file)]).toEqual([file, true]);
    const { err } = oxalis(root, "audit");
    expect([err.match(/^error/gm)?.length, err]).toEqual([1, expect.stringContaining('"A1B2C3D4E5"')]);
  });

  test("has colours, start pictures and pages that are the client's; whose key signs it is told", async () => {
    const { root, started } = aroundFiles({
      "project.godot":
        'config_version=5\n\n[application]\n\nconfig/name="Marble Run"\nboot_splash/bg_color=Color(0.1, 0.2, 0.3, 1)\n',
      "start@2x.png": await picture(200),
      "page.png": await picture(144),
      "export_presets.cfg": [
        '[preset.0]\n\nplatform="iOS"\n\n[preset.0.options]\n\napplication/bundle_identifier="com.tinwhistle.run"',
        'storyboard/custom_image@2x="res://start@2x.png"\nstoryboard/custom_bg_color=Color(0.1, 0.2, 0.3, 1)\n',
        '[preset.1]\n\nplatform="Web"\n\n[preset.1.options]\n\nprogressive_web_app/icon_144x144="res://page.png"\n',
        '[preset.2]\n\nplatform="Android"\n\n[preset.2.options]\n\npackage/unique_name="com.tinwhistle.run"',
        'keystore/release="/home/ada/tinwhistle.keystore"\n',
      ].join("\n"),
    });
    expect(started.err).toContain("Android: export_presets.cfg signs with /home/ada/tinwhistle.keystore");
    const ground = /bg_color=(Color\([\d.]+, [\d.]+, [\d.]+, 1\))\n/.exec(made(root, "project.godot"))?.[1];
    expect(ground).not.toBe("Color(0.1, 0.2, 0.3, 1)");
    expect(made(root, "export_presets.cfg")).toContain(`custom_bg_color=${ground}\n`);
    for (const file of ["start@2x.png", "page.png"]) expect([file, isDrawn(root, file)]).toEqual([file, true]);
  });
});
