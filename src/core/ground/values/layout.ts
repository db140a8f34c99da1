/**
 * What a variant's folder holds: a whole project, or only what differs from the template, to be laid over a checkout
 * of it.
 */
export const layouts = ["tree", "overlay"] as const;

export type Layout = (typeof layouts)[number];
