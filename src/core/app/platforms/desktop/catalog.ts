import { icnsSlots, macIconSlots, program, programIcons } from "../../../pictures/slots/program.ts";
import type { Slot } from "../../../pictures/slots/slot.ts";
import type { DesktopRole } from "./titles.ts";

/** A desktop shell's icon as one picture, from which it makes what a system wants; also what a Linux desktop shows. */
export const shellIcon = (side: number): Slot<"shell-icon"> => ({
  ...program,
  role: "shell-icon",
  path: "{file}",
  width: side,
  height: side,
  qualifier: `${side}`,
  ground: { kind: "square", color: "colors.ground", side: 1, corner: 0.16 },
  alpha: "kept",
  safe: { shape: "box", share: 0.7 },
  rule: "Icon of a desktop shell: a square with transparency, 512 px or more",
});

/** Side of a shell's icon where the template does not say. */
export const shellSide = 512;

export const desktopSlots: readonly Slot<DesktopRole>[] = [
  ...macIconSlots,
  ...icnsSlots,
  ...programIcons("desktop"),
  shellIcon(shellSide),
];
