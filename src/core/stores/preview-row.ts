import type { CaptureDevice } from "./capture-row.ts";

/** Films of a running app that a store shows beside its pictures: for one class of devices. */
export interface PreviewRow {
  /** They lie where the pictures do: captures/<device>/<language>/. */
  device: CaptureDevice;
  /** What the store calls them. */
  title: string;
  /** In a language. */
  most: number;
  /** How long one is, in seconds, both ends among them. */
  seconds: readonly [least: number, most: number];
  /** Largest file, in bytes. */
  bytes: number;
  /** In pixels, as it lies there. Other sizes are told, and refused by nobody for sure. */
  sizes: readonly (readonly [width: number, height: number])[];
  source: string;
  asOf: string;
}

/** The place among a store's pictures that a class's films have. */
export const previewSlot = (device: PreviewRow["device"]): string => `${device}-preview`;

/** Whether a place is one of films. */
export const isPreviewSlot = (slot: string): boolean => slot.endsWith("-preview");
