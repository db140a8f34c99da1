import { heldFiles } from "../../formats/archives/files.ts";
import { readWindowsProgram } from "../../formats/programs/portable-executable.ts";
import { type OpenedPackage, unsaid } from "./facts.ts";
import { signerBy } from "./signer.ts";

/** What a program for Windows says of itself: the app, or what installs it; undefined where it is none. */
export async function readProgram(bytes: Uint8Array): Promise<OpenedPackage | undefined> {
  const program = await readWindowsProgram(bytes);
  const files = program && heldFiles([["program.exe", bytes]]);
  if (!program || !files) return undefined;
  const { said, icons, certificate, holds } = program;
  const label = said.ProductName ?? said.FileDescription ?? "";
  return {
    facts: {
      ...unsaid,
      kind: "program",
      labels: label === "" ? {} : { "": label },
      version: said.ProductVersion ?? said.FileVersion ?? "",
      ...(said.CompanyName === undefined ? {} : { publisher: said.CompanyName }),
      ...signerBy("its own signature", certificate, holds),
      odd: [],
      files: 1,
    },
    files,
    icons: new Map(icons.map((icon, at) => [`icon ${at + 1}`, icon])),
  };
}
