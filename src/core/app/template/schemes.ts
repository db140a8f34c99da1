/** Schemes that are a protocol's, not an app's (IANA, URI schemes). */
export const commonSchemes: ReadonlySet<string> = new Set(
  "http https mailto tel sms file content data blob about geo market intent ws wss ftp javascript".split(" "),
);
