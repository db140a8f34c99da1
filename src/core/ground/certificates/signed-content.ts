import { attempted } from "../values/attempted.ts";
import { certificateFacts } from "./certificate.ts";

/** What a signed message says, and who signed it. */
export interface SignedContent {
  content: Uint8Array;
  /** The subject of the certificate whose key signed it, as RFC 4514 writes it. */
  signer: string;
  /** SHA-256 of that certificate: upper-case hexadecimal digits with colons. */
  sha256: string;
}

/** Larger files are no profiles or signatures, in bytes. */
const largest = 1024 * 1024;

/**
 * Opens a signed message (CMS, RFC 5652) with its content within: `changed` where its signature does not hold. Who the
 * signer is, and whether to trust them, is for whoever asks: no authority is known here.
 */
export async function openSigned(bytes: Uint8Array): Promise<SignedContent | "not-signed" | "changed"> {
  if (bytes.length > largest) return "not-signed";
  const { ContentInfo, SignedData } = await import("pkijs");
  const read = attempted(() => {
    const outer = ContentInfo.fromBER(Uint8Array.from(bytes).buffer);
    return new SignedData({ schema: outer.content });
  });
  const content = read?.encapContentInfo.eContent?.getValue();
  if (!read || !content) return "not-signed";
  const verified = await read.verify({ signer: 0, checkChain: false, extendedMode: true }).catch(() => undefined);
  const signer = verified?.signerCertificate;
  const facts = signer && attempted(() => certificateFacts(Buffer.from(signer.toSchema(true).toBER())));
  if (!verified?.signatureVerified || !facts) return "changed";
  return { content: new Uint8Array(content), signer: facts.subject, sha256: facts.sha256 };
}

/** Certificates that a signed message brings along, as DER, the signer's first; none where it is none. */
export async function certificatesIn(bytes: Uint8Array): Promise<Uint8Array[]> {
  const { Certificate, ContentInfo, IssuerAndSerialNumber, SignedData } = await import("pkijs");
  const read = attempted(() => {
    const outer = ContentInfo.fromBER(Uint8Array.from(bytes).buffer);
    const signed = new SignedData({ schema: outer.content });
    const all = (signed.certificates ?? []).filter((each) => each instanceof Certificate);
    const named = signed.signerInfos[0]?.sid;
    const isSigner = (each: InstanceType<typeof Certificate>) =>
      named instanceof IssuerAndSerialNumber && named.serialNumber.isEqual(each.serialNumber);
    return [...all.filter(isSigner), ...all.filter((each) => !isSigner(each))].map(
      (each) => new Uint8Array(each.toSchema(true).toBER()),
    );
  });
  return read ?? [];
}
