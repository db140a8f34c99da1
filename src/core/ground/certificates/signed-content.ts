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

function attempted<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}
