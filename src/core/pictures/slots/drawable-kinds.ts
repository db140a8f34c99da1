/** What a picture of the template's own can be drawn as. */
export const ownKinds = ["mono", "wide", "start", "ground", "mark", "icon"] as const;

export type OwnKind = (typeof ownKinds)[number];
