/** How far a client can be, as it is asked for. */
export const clientStates = ["errors", "ready", "generated", "numbered"] as const;

export type ClientState = (typeof clientStates)[number];
