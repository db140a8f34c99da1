import { randomUUID } from "node:crypto";
import type { pki } from "node-forge";
import { build, type PlistValue } from "plist";
import type { ProfileKind } from "../../core/app/platforms/apple/profile.ts";
import { type KeyRole, keyRoleFacts } from "../../core/clients/keys/roles.ts";
import { loadForge } from "../../core/ground/certificates/forge.ts";
import { type NamePart, newKey } from "../../core/ground/certificates/self-signed.ts";
import { newSerial } from "../../core/ground/certificates/serial.ts";
import { reveal } from "../../core/ground/values/secret.ts";

/**
 * Stands in for the authority of a platform, which has no door here: makes certificates of requests, and profiles of
 * identifiers, under a root of its own that nobody trusts.
 */
export interface Authority {
  /** Its root's certificate, as PEM. */
  root: string;
  /** The certificate of a request, as PEM; what is wrong with the request where there is none. */
  certify(asked: AskedCertificate): Promise<{ certificate: string } | { wrong: string }>;
  /** A provisioning profile, as DER. */
  provision(asked: AskedProfile): Promise<Uint8Array>;
}

export interface AskedCertificate {
  /** PKCS#10 as PEM. */
  request: string;
  role: KeyRole;
  team: string;
  /** Whose team it is. */
  owner: string;
  days: number;
}

export interface AskedProfile {
  title: string;
  identifier: string;
  team: string;
  kind: ProfileKind;
  platform: "ios" | "mac";
  devices: readonly string[];
  entitlements: Readonly<Record<string, unknown>>;
  /** PEM. */
  certificates: readonly string[];
  days: number;
}

/** Years that the root lasts. */
const rootYears = 10;

interface Signer {
  key: pki.rsa.PrivateKey;
  certificate: pki.Certificate;
}

/** @param now the time that certificates and profiles begin at */
export async function newAuthority(now: () => Date): Promise<Authority> {
  const forge = await loadForge();
  const { pki, md, pkcs7, util, asn1 } = forge;

  const issue = (
    publicKey: pki.PublicKey,
    given: { subject: readonly NamePart[]; days: number; by: Signer | pki.rsa.PrivateKey; extensions: object[] },
  ): pki.Certificate => {
    const certificate = pki.createCertificate();
    certificate.publicKey = publicKey;
    certificate.serialNumber = newSerial();
    certificate.validity.notBefore = now();
    certificate.validity.notAfter = new Date(now().getTime() + given.days * 86_400_000);
    const subject = given.subject.map((part) => ({ ...part, valueTagClass: 12 as never }));
    certificate.setSubject(subject);
    certificate.setIssuer("certificate" in given.by ? given.by.certificate.subject.attributes : subject);
    certificate.setExtensions(given.extensions);
    certificate.sign("certificate" in given.by ? given.by.key : given.by, md.sha256.create());
    return certificate;
  };

  const newSigner = async (name: string, days: number, by: Signer | undefined, isRoot: boolean): Promise<Signer> => {
    const key = pki.privateKeyFromPem(reveal(await newKey({ rsa: 2048 }))) as pki.rsa.PrivateKey;
    const extensions = isRoot
      ? [
          { name: "basicConstraints", cA: true, critical: true },
          { name: "keyUsage", keyCertSign: true, cRLSign: true, critical: true },
        ]
      : [
          { name: "basicConstraints", cA: false },
          { name: "keyUsage", digitalSignature: true, critical: true },
        ];
    const subject = [{ shortName: "CN", value: name }];
    const publicKey = pki.setRsaPublicKey(key.n, key.e);
    return { key, certificate: issue(publicKey, { subject, days, by: by ?? key, extensions }) };
  };

  const root = await newSigner("Stand-in authority", rootYears * 365, undefined, true);
  const signing = await newSigner("Stand-in profile signing", rootYears * 365, root, false);

  return {
    root: pki.certificateToPem(root.certificate),

    async certify({ request, role, team, owner, days }) {
      const read = readRequest(request);
      if (!read) return { wrong: "This is no request (PKCS#10 as PEM) of an RSA key, or it was changed." };
      const marks = (keyRoleFacts[role].marks ?? []).map((id) => ({ id, critical: true, value: "\u0005\u0000" }));
      const certificate = issue(read, {
        subject: [
          { shortName: "CN", value: `${capital(keyRoleFacts[role].title)}: ${owner} (${team})` },
          { shortName: "OU", value: team },
          { shortName: "O", value: owner },
        ],
        days,
        by: root,
        extensions: [
          { name: "basicConstraints", cA: false, critical: true },
          { name: "keyUsage", digitalSignature: true, critical: true },
          { name: "extKeyUsage", codeSigning: true, critical: true },
          ...marks,
        ],
      });
      return { certificate: pki.certificateToPem(certificate) };
    },

    async provision(asked) {
      const message = pkcs7.createSignedData();
      message.content = util.createBuffer(build(listOf(asked, now())), "utf8");
      message.addCertificate(signing.certificate);
      message.addCertificate(root.certificate);
      message.addSigner({
        key: signing.key,
        certificate: signing.certificate,
        digestAlgorithm: pki.oids.sha256 ?? "",
        authenticatedAttributes: [
          { type: pki.oids.contentType ?? "", value: pki.oids.data ?? "" },
          { type: pki.oids.messageDigest ?? "" },
          { type: pki.oids.signingTime ?? "", value: now() as never },
        ],
      });
      message.sign();
      return Buffer.from(asn1.toDer(message.toAsn1()).getBytes(), "latin1");
    },
  };

  function readRequest(text: string): pki.PublicKey | undefined {
    try {
      const read = pki.certificationRequestFromPem(text);
      return read.verify() && read.publicKey ? read.publicKey : undefined;
    } catch {
      return undefined;
    }
  }
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What a profile says, as the property list that is signed. */
function listOf(
  { title, identifier, team, kind, platform, devices, entitlements, certificates, days }: AskedProfile,
  now: Date,
): PlistValue {
  const own = `${team}.${identifier}`;
  return {
    AppIDName: title,
    ApplicationIdentifierPrefix: [team],
    CreationDate: now,
    Platform: [platform === "mac" ? "OSX" : "iOS"],
    DeveloperCertificates: certificates.map((pem) => Buffer.from(pem.replace(/-----[^-]+-----|\s/g, ""), "base64")),
    Entitlements: {
      [platform === "mac" ? "com.apple.application-identifier" : "application-identifier"]: own,
      "com.apple.developer.team-identifier": team,
      ...(platform === "ios" ? { "get-task-allow": kind === "development" } : {}),
      "keychain-access-groups": [`${team}.*`],
      ...(entitlements as Record<string, PlistValue>),
    },
    ExpirationDate: new Date(now.getTime() + days * 86_400_000),
    Name: title,
    ...(kind === "everywhere" ? { ProvisionsAllDevices: true } : {}),
    ...(kind === "testers" || kind === "development" ? { ProvisionedDevices: [...devices] } : {}),
    TeamIdentifier: [team],
    TeamName: team,
    TimeToLive: days,
    UUID: randomUUID(),
    Version: 1,
  };
}
