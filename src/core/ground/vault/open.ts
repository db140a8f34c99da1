/**
 * An opened vault, whatever keeps it: a folder of sealed files, or what a system has of its own for keys. Whoever works
 * with keys knows no more than this.
 */
export interface OpenVault {
  /** What it is known by, in what is recorded of keys. Public. */
  recipient: string;
  /** Whether there is a file of this name, as it lies. */
  has(file: string): boolean;
  /** A file, opened; undefined where it is not there, is another vault's, or was changed. */
  read(file: string): Promise<Uint8Array | undefined>;
  /** Keeps files, and lets go of those without content: all of them or none. The vault has to be held. */
  keep(files: readonly (readonly [file: string, content: Uint8Array | undefined])[]): Promise<void>;
  /** Notes that keys were proven on a day; in silence where nothing can be noted. */
  noteProven(names: readonly string[], on: string): void;
}
