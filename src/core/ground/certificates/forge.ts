import type forge from "node-forge";

/** The library of key stores and certificates, loaded when a command needs it: most do not. */
export async function loadForge(): Promise<typeof forge> {
  const loaded = await import("node-forge");
  return (loaded as unknown as { default?: typeof forge }).default ?? (loaded as unknown as typeof forge);
}
