import { createPublicKey, generateKeyPairSync, X509Certificate } from "node:crypto";
import fc from "fast-check";
import { expect, test, vi } from "vitest";
import { selfSigned } from "../../../../src/core/ground/certificates/self-signed.ts";
import { secretOf } from "../../../../src/core/ground/values/secret.ts";

const random = vi.hoisted(() => ({ bytes: undefined as Buffer | undefined }));
vi.mock("node:crypto", async (original) => {
  const crypto = await original<typeof import("node:crypto")>();
  return { ...crypto, randomBytes: (size: number) => random.bytes ?? crypto.randomBytes(size) };
});

test("a certificate can be read whatever its serial number is drawn as: zeros in front, ones in front", async () => {
  const { privateKey } = generateKeyPairSync("rsa", { modulusLength: 1024 });
  const key = secretOf(privateKey.export({ type: "pkcs8", format: "pem" }) as string);
  const front = fc.constantFrom(0x00, 0x01, 0x7f, 0x80, 0xff);
  const drawn = fc.tuple(front, front, fc.uint8Array({ minLength: 14, maxLength: 14 }));
  await fc.assert(
    fc.asyncProperty(drawn, async ([first, second, rest]) => {
      random.bytes = Buffer.from([first, second, ...rest]);
      const pem = await selfSigned(key, {
        ...{ subject: [{ shortName: "CN", value: "Hill" }], from: "2026-01-01", until: "2051-01-01" },
      });
      random.bytes = undefined;
      const read = new X509Certificate(pem);
      expect(read.verify(createPublicKey(privateKey))).toBe(true);
      expect(BigInt(`0x${read.serialNumber}`)).toBeGreaterThan(0n);
    }),
    { numRuns: 60 },
  );
});
