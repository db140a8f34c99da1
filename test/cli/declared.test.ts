import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parse } from "plist";
import { expect, test } from "vitest";
import { edit, oxalis, workspaceWith } from "../support/oxalis.ts";
import { hasTool, tool } from "../support/tools.ts";

const list = "ios/Storefront/Info.plist";

const listOf = (folder: string): Record<string, unknown> => {
  const file = join(folder, "variants/3-acre", list);
  if (hasTool("plistutil")) tool("plistutil", ["-i", file, "-o", "/dev/null"]);
  return parse(readFileSync(file, "utf8")) as Record<string, unknown>;
};

test("a variant's property list says which encryption it uses, as the stores are told, and the system's category", () => {
  const folder = workspaceWith(["3-acre"]);
  edit(folder, `template/${list}`, (text) =>
    text.replace(
      "<dict>",
      "<dict>\n\t<key>LSApplicationCategoryType</key>\n\t<string>public.app-category.games</string>",
    ),
  );
  const made = () => {
    expect(oxalis(folder, "generate", "-q")).toMatchObject({ code: 0 });
    return listOf(folder);
  };
  expect(made()).toMatchObject({
    ITSAppUsesNonExemptEncryption: false,
    LSApplicationCategoryType: "public.app-category.lifestyle",
  });
  edit(folder, "template.yaml", (text) => text.replace("encryption: exempt", "encryption: own"));
  expect(made()).toMatchObject({ ITSAppUsesNonExemptEncryption: true });
  // Where the template says it itself, it says what the answer says.
  edit(folder, `template/${list}`, (text) =>
    text.replace("<dict>", "<dict>\n\t<key>ITSAppUsesNonExemptEncryption</key>\n\t<false/>"),
  );
  expect(made()).toMatchObject({ ITSAppUsesNonExemptEncryption: true });
  // Nobody has answered: it stays the template's.
  edit(folder, "template.yaml", (text) => text.replace("  encryption: own\n", ""));
  expect(made()).toMatchObject({ ITSAppUsesNonExemptEncryption: false });
  expect(oxalis(folder, "audit").code).toBe(0);
});

test("a privacy manifest that says otherwise than the store is told is told, with what each says", () => {
  const folder = workspaceWith(["3-acre"]);
  const manifest = (kinds: readonly string[], isTracking: boolean) =>
    writeFileSync(
      join(folder, "template/ios/Storefront/PrivacyInfo.xcprivacy"),
      `<?xml version="1.0" encoding="UTF-8"?>\n<plist version="1.0">\n<dict>\n\t<key>NSPrivacyTracking</key>\n\t<${isTracking}/>
\t<key>NSPrivacyCollectedDataTypes</key>\n\t<array>${kinds
        .map(
          (kind) =>
            `<dict><key>NSPrivacyCollectedDataType</key><string>NSPrivacyCollectedDataType${kind}</string></dict>`,
        )
        .join("")}</array>\n</dict>\n</plist>\n`,
    );
  const found = () =>
    JSON.parse(oxalis(folder, "check", "--json").out).clients[0].problems.filter(
      ({ code }: { code: string }) => code === "privacy-manifest",
    );
  manifest(["DeviceID"], false);
  expect(found()).toEqual([]);
  manifest(["PhotosorVideos", "DeviceID"], true);
  expect(found()).toMatchObject([
    {
      message: expect.stringContaining("says that Photos or Videos is collected, and that people are followed;"),
      place: { file: "template/ios/Storefront/PrivacyInfo.xcprivacy", line: 6 },
    },
  ]);
  manifest([], false);
  expect(found()[0].message).toContain("nothing of Device ID");
  // A library's own is the library's.
  const own = join(folder, "template/ios/Storefront/PrivacyInfo.xcprivacy");
  const pods = readFileSync(own);
  manifest(["DeviceID"], false);
  expect(oxalis(folder, "check").out).not.toContain("PrivacyInfo");
  tool("mkdir", ["-p", join(folder, "template/ios/Pods/Maps")]);
  writeFileSync(join(folder, "template/ios/Pods/Maps/PrivacyInfo.xcprivacy"), pods);
  expect(found()).toEqual([]);
});

test("an answer that wants a paper is told until somebody is named who has given it", () => {
  const folder = workspaceWith(["3-acre"]);
  edit(folder, "template.yaml", (text) => text.replace('content-rights: "no"', "content-rights: with rights"));
  const found = () =>
    JSON.parse(oxalis(folder, "board", "--json").out).clients[0].problems.filter(
      ({ code }: { code: string }) => code === "consent-missing",
    );
  expect(found()).toMatchObject([{ severity: "warning", place: { file: "template.yaml" } }]);
  edit(folder, "clients/3-acre/brief.yaml", (text) =>
    text.replace(
      "store:\n",
      "store:\n  consents: [{ for: content-rights, to: Pictures of the Growers' Guild, by: Ann Acre, on: 2026-10-01 }]\n",
    ),
  );
  expect(found()).toEqual([]);
});

test("what a store has assigned is asked of whoever has the account there, and of nobody else", () => {
  const folder = workspaceWith(["ferme-duclos", "3-acre"]);
  const asked = (client: string) => oxalis(folder, "ask", client, "--dry-run").out;
  edit(folder, "clients/ferme-duclos/brief.yaml", (text) => `${text}\n`);
  expect(asked("ferme-duclos")).not.toContain("Package/Identity/Name");
  edit(folder, "oxalis.yaml", (text) =>
    text.replace("    price: free\n", "    price: free\n    accounts: { whose: client }\n"),
  );
  expect(asked("ferme-duclos")).toContain("Microsoft Store: Package/Identity/Publisher");
  expect(asked("ferme-duclos")).toContain("Espace partenaires");
});

test("what the template's manifest asks for is asked about, and only then", () => {
  const folder = workspaceWith(["saltmarsh"]);
  const asked = () => {
    const { clients } = JSON.parse(oxalis(folder, "board", "--json").out) as {
      clients: { stores: { store: string; problems: { code: string; message: string }[] }[] }[];
    };
    const play = clients[0]?.stores.find(({ store }) => store === "google-play");
    return play?.problems.filter(({ code }) => code === "declaration-missing").map(({ message }) => message);
  };
  expect(asked()).toEqual([]);
  const manifest = "template/android/app/src/main/AndroidManifest.xml";
  const permission = (name: string, tag = "uses-permission") => `<${tag} android:name="android.permission.${name}" />`;
  const internet = permission("INTERNET");
  edit(folder, manifest, (text) =>
    text.replace(
      internet,
      internet + permission("USE_EXACT_ALARM") + permission("READ_MEDIA_IMAGES", "uses-permission-sdk-23"),
    ),
  );
  expect(asked()).toEqual(["Google Play asks what nobody has answered: photos-access, exact-alarms."]);
  edit(folder, "template.yaml", (text) =>
    text.replace("declares:\n", "declares:\n  exact-alarms: declared\n  photos-access: not needed\n"),
  );
  expect(asked()).toEqual([]);
  expect(oxalis(folder, "board", "-q").err).toContain("asks for android.permission.READ_MEDIA_IMAGES");
});
