/** Names of a client's environment variables begin with this. */
export const signingPrefix = (key: string): string => `SIGNING_${key.toUpperCase().replaceAll("-", "_")}`;
