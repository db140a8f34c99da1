import { describe, expect, test } from "vitest";
import type { KeyRecord } from "../../../../src/core/agency/history/keys.ts";
import type { ProfileRecord } from "../../../../src/core/agency/history/profiles.ts";
import type { OwnKeys } from "../../../../src/core/agency/workspace/workspace.ts";
import type { ClientFeature, Resolved } from "../../../../src/core/app/variant/variant.ts";
import { ownerOfProfile } from "../../../../src/core/clients/keys/accepting.ts";
import { askedFor } from "../../../../src/core/clients/keys/asking.ts";
import { handOverList, handOverOf } from "../../../../src/core/clients/keys/handing-over.ts";
import { profileStandings } from "../../../../src/core/clients/keys/profiles.ts";
import { keyRoleFacts, keyRoles } from "../../../../src/core/clients/keys/roles.ts";
import { keyStandings } from "../../../../src/core/clients/keys/standing.ts";
import { attempt, succeed } from "../../../../src/core/ground/problems/result.ts";
import { trace } from "../../../../src/core/ground/values/trail.ts";
import { artwork, variantOf } from "../../../support/variant.ts";

const today = "2026-11-29";
const mark = (digit: string) => Array.from({ length: 32 }, () => digit.repeat(2)).join(":");

const record = (name: string, digit: string, more: Partial<KeyRecord> = {}): KeyRecord => ({
  ...{ name, came: "made", on: today, vault: "age1x", algorithm: "RSA 3072" },
  ...{ from: "2026-01-01", until: "2051-01-01", sha256: mark(digit) },
  ...more,
});

interface Given {
  values?: Readonly<Record<string, string>>;
  keys?: Partial<OwnKeys>;
  features?: readonly string[];
}

/** A client with some of its fields, and its keys. */
function client(key: string, { values = {}, keys = {}, features = [] }: Given = {}): Resolved {
  const own: OwnKeys = { records: {}, requests: {}, profiles: {}, ...keys };
  const variant = variantOf(artwork({}), { "windows.publisher": "CN=Hill", owner: "Hill", ...values });
  const on = features.map((name): ClientFeature => ({ name, isOn: true, on: traced("on"), usage: { further: {} } }));
  return {
    client: { key, folder: "", problems: [], keys: succeed(own) },
    values: variant.values,
    art: variant.art,
    problems: [],
    variant: { ...variant, key, features: on },
  };
}

const traced = (value: string) => trace({ by: "brief", note: "", value });

const standing = (all: readonly Resolved[]) =>
  keyStandings(all, { today }).map(({ client: key, keys }) => [
    key,
    keys.map(({ role, record: own, keptWith, problems }) =>
      [role, own ? "there" : "missing", keptWith && `with ${keptWith}`, ...problems.map(({ code }) => code)]
        .filter(Boolean)
        .join(" "),
    ),
  ]);

describe("what a client's app wants keys for", () => {
  test("follows its platforms, its features and its team", () => {
    expect(standing([client("a")])).toEqual([
      ["a", ["android-upload missing key-absent", "windows-package missing key-absent"]],
    ]);
    const all = standing([client("a", { values: { "signing.team": "AB12CD34EF" }, features: ["push"] })]);
    expect(all).toEqual([
      [
        "a",
        [
          "android-upload missing key-absent",
          "apple-distribution missing key-absent",
          "apple-push missing key-absent",
          "windows-package missing key-absent",
          "web-push missing key-absent",
        ],
      ],
    ]);
  });

  test("a team's key is kept once, and its other clients have it; another client's own is shared, and wrong", () => {
    const team = { "signing.team": "AB12CD34EF" };
    const distribution = record("a-apple-distribution", "A", { team: "AB12CD34EF", algorithm: "RSA 2048" });
    const upload = record("a-android-upload", "B");
    const windows = { "windows-package": record("w", "C", { subject: "CN=Hill", until: "2029-01-01" }) };
    const all = [
      client("a", {
        values: team,
        keys: { records: { "android-upload": upload, "apple-distribution": distribution, ...windows } },
      }),
      client("b", { values: team, keys: { records: { "android-upload": upload } } }),
      client("c", { values: { "signing.team": "ZZ12CD34EF" } }),
    ];
    expect(standing(all)).toEqual([
      ["a", ["android-upload there key-shared", "apple-distribution there", "windows-package there"]],
      [
        "b",
        ["android-upload there key-shared", "apple-distribution there with a", "windows-package missing key-absent"],
      ],
      [
        "c",
        [
          "android-upload missing key-absent",
          "apple-distribution missing key-absent",
          "windows-package missing key-absent",
        ],
      ],
    ]);
  });

  test("each fault of a key is told apart", () => {
    const cases: readonly [of: Partial<KeyRecord>, codes: readonly string[]][] = [
      [{}, []],
      [{ until: "2026-11-28" }, ["key-ends", "key-unfit"]],
      [{ until: "2026-12-29" }, ["key-ends", "key-unfit"]],
      [{ from: "2026-11-30" }, ["key-early"]],
      [{ until: "2033-10-22" }, ["key-unfit"]],
      [{ until: "2033-10-23" }, []],
      [{ algorithm: "RSA 1024" }, ["key-weak"]],
      [{ algorithm: "EC P-256" }, []],
    ];
    for (const [of, codes] of cases) {
      const [own] = keyStandings([client("a", { keys: { records: { "android-upload": record("k", "A", of) } } })], {
        today,
      });
      const found = own?.keys.find(({ role }) => role === "android-upload")?.problems ?? [];
      expect([of, found.map(({ code }) => code)]).toEqual([of, codes]);
    }
    const wrongTeam = record("k", "A", { team: "ZZ12CD34EF", algorithm: "RSA 2048" });
    const values = { "signing.team": "AB12CD34EF" };
    const foreign = client("a", { values, keys: { records: { "apple-distribution": wrongTeam } } });
    expect(standing([foreign])[0]?.[1]).toContain("apple-distribution there key-foreign");
    const other = client("a", { keys: { records: { "windows-package": record("k", "A", { subject: "CN=Other" }) } } });
    expect(standing([other])[0]?.[1]).toContain("windows-package there key-unfit");
  });

  test("every role says what it is for, what is lost with it, how it comes, and where that stands", () => {
    for (const role of keyRoles) {
      const { title, says, loss, source, asOf, comes, marks } = keyRoleFacts[role];
      for (const text of [title, says, loss, source]) expect([role, text.length > 6]).toEqual([role, true]);
      expect(asOf).toMatch(/^20\d\d-\d\d-\d\d$/);
      expect([role, comes === "requested"]).toEqual([role, marks !== undefined]);
    }
    expect(new Set(keyRoles.flatMap((role) => keyRoleFacts[role].marks ?? [])).size).toBe(5);
  });
});

test("a certificate is asked for once for a team, by whoever of it comes first, and anew where that is wanted", () => {
  const values = { "signing.team": "AB12CD34EF" };
  const asked = (all: readonly Resolved[], picked = all, more: Partial<Parameters<typeof askedFor>[2]> = {}) =>
    askedFor(all, picked, { renew: false, ...more }).map(({ client: key, role, name, open, renews }) =>
      [key, role, name, open && "open", renews && "renews"].filter(Boolean).join(" "),
    );
  const [a, b, c] = [client("a", { values }), client("b", { values }), client("c")];
  expect(asked([a, b, c])).toEqual(["a apple-distribution a-apple-distribution"]);
  expect(asked([a, b, c], [b])).toEqual(["b apple-distribution b-apple-distribution"]);
  expect(asked([a, b, c], [c], { role: "apple-development" })).toEqual(["c apple-development c-apple-development"]);
  const request = {
    name: "a-apple-distribution",
    on: today,
    vault: "v",
    algorithm: "RSA 2048",
    subject: "CN=x",
    publicKey: "p",
  };
  const open = client("a", { values, keys: { requests: { "apple-distribution": request } } });
  expect(asked([open, b], [b])).toEqual(["a apple-distribution a-apple-distribution open"]);
  const has = client("a", {
    values,
    keys: { records: { "apple-distribution": record("a-apple-distribution", "A", { team: "AB12CD34EF" }) } },
  });
  expect(asked([has, b])).toEqual([]);
  expect(asked([has, b], [b], { renew: true })).toEqual([
    "b apple-distribution b-apple-distribution-after-aaaaaaaa renews",
  ]);
});

const profile = (more: Partial<ProfileRecord>): ProfileRecord => ({
  ...{ name: "p", on: today, vault: "v", sha256: "0".repeat(64), kind: "store", platform: "ios", title: "Hill Store" },
  ...{ uuid: "u", team: "AB12CD34EF", identifier: "example.hill", from: "2026-01-01", until: "2027-06-01" },
  ...{ certificates: [mark("A")], devices: 0, entitlements: {}, signer: "CN=Signing" },
  ...more,
});

test("profiles are held against each target: the exact one first, one for many where there is no other", () => {
  const given = {
    client: "a",
    apps: [
      { platform: "ios", identifier: "example.hill", entitlements: { "aps-environment": "production" } },
      { target: "Widget", platform: "ios", identifier: "example.hill.widget", entitlements: {} },
    ],
    team: "AB12CD34EF",
    named: undefined,
    certificates: { "apple-distribution": mark("A") },
    today,
    notice: 60,
  } as const;
  const said = (profiles: readonly ProfileRecord[], more: Partial<typeof given> = {}) =>
    profileStandings(profiles, { ...given, ...more }).map(({ target = "app", kind, record: own, problems }) =>
      [target, kind, own ? own.title : "none", ...problems.map(({ code }) => code)].join(" "),
    );
  expect(said([])).toEqual(["app store none profile-absent", "Widget store none profile-absent"]);
  expect(said([], { team: undefined as never })).toEqual([]);
  const whole = profile({ entitlements: { "aps-environment": "production" } });
  const many = profile({ identifier: "example.*", title: "All" });
  expect(said([whole, many])).toEqual(["app store Hill Store", "Widget store All"]);
  expect(said([many])).toEqual(["app store All profile-lacks", "Widget store All"]);
  expect(said([profile({ kind: "testers", title: "Devices" })])).toEqual([
    "app store none profile-absent",
    "app testers Devices profile-lacks",
    "Widget store none profile-absent",
  ]);
  expect(said([profile({ ...whole, team: "ZZ12CD34EF", certificates: [], until: "2026-11-01" })])[0]).toBe(
    "app store Hill Store profile-ends profile-foreign profile-unsigned",
  );
  // One that no target has is a stage's: told with what shows of it alone.
  expect(said([whole, profile({ identifier: "example.hill.test", until: "2026-12-01" })]).at(-1)).toBe(
    "app store Hill Store profile-ends",
  );
});

test("a profile is a client's by identifier, platform and team; where several could have it, it is asked", () => {
  const owners = [
    { key: "a", team: "AB12CD34EF", apps: [{ platform: "ios", identifier: "example.hill" }] },
    { key: "b", team: "ZZ12CD34EF", apps: [{ platform: "ios", identifier: "example.farm" }] },
    { key: "c", team: undefined, apps: [{ platform: "ios", identifier: "example.barn" }] },
  ] as const;
  const owner = (more: Partial<ProfileRecord>, said?: string) => {
    const found = attempt(() => ownerOfProfile("x", profile(more), owners, said));
    return found.ok ? found.value.key : found.problems[0]?.code;
  };
  expect(owner({})).toBe("a");
  expect(owner({ platform: "desktop" })).toBe("profile-foreign");
  expect(owner({ identifier: "example.farm" })).toBe("profile-foreign");
  expect(owner({ identifier: "example.barn" })).toBe("c");
  expect(owner({ identifier: "example.*" })).toBe("key-unclear");
  expect(owner({ identifier: "example.*" }, "c")).toBe("c");
  expect(owner({ identifier: "example.*", team: "ZZ12CD34EF" }, "a")).toBe("profile-foreign");
  expect(owner({ identifier: "org.*" })).toBe("profile-foreign");
});

test("what leaves with a client is its own; a team's key that signs others too stays, with why", () => {
  const team = "AB12CD34EF";
  const values = { "signing.team": team };
  const records = {
    "android-upload": record("a-android-upload", "A", { alias: "upload", subject: "CN=Hill" }),
    "apple-distribution": record("a-apple-distribution", "B", { team }),
  };
  const alone = client("a", { values, keys: { records } });
  const others = [alone, client("b", { values })];
  const decided = (all: readonly Resolved[], key: string) => {
    const own = keyStandings(all, { today }).find((each) => each.client === key);
    return handOverOf(own ?? { client: key, keys: [], problems: [] }, [profile({})], all);
  };
  expect(decided([alone], "a").keys.map(({ role }) => role)).toEqual(["android-upload", "apple-distribution"]);
  expect(decided(others, "a").keys.map(({ role }) => role)).toEqual(["android-upload"]);
  expect(decided(others, "a").stays).toEqual([
    { title: "distribution certificate", why: `It is of the team ${team}, which signs the apps of b too.` },
  ]);
  expect(decided(others, "b").stays[0]?.why).toContain("signs the apps of a too");
  const text = handOverList(decided(others, "a"), {
    ...{ name: "Hill", agency: "Lanternfield", today },
    files: new Map([["a-android-upload", ["a-android-upload.p12", "a-android-upload.password.txt"]]]),
  });
  for (const said of [
    "What signs Hill\nFrom Lanternfield, on 2026-11-29.",
    "Android: upload key\n  Signs every bundle",
    "files        a-android-upload.p12, a-android-upload.password.txt",
    "alias        upload",
    'iOS: profile "Hill Store", for the store',
    "Not in this archive\n  distribution certificate: It is of the team",
  ])
    expect(text).toContain(said);
  expect(text).not.toContain("undefined");
});
