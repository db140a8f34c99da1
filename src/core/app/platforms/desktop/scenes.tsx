import { Launcher, Pic, Scene } from "../../../pages/parts/parts.tsx";
import { grounds, has, labelOf, type SceneProps, type Scenes, type Shown } from "../../../pages/parts/scenes.ts";

/** Icons of programs, as a dock and a task bar show them. */
function icons({ sheet, say }: SceneProps) {
  const icons = [
    { name: "mac-icon", note: say("dock") },
    { name: "shell-icon", note: say("window") },
    { name: "program-icon", note: say("taskBar") },
  ].filter(({ name }) => has(sheet, name));
  if (icons.length === 0) return null;
  return (
    <Scene title={say("desktop")} note={say("desktopNote")}>
      {grounds.map((ground) => (
        <div class={`home desktop ${ground}`} key={ground}>
          {icons.map(({ name, note }) => (
            <Launcher label={labelOf(sheet)} note={note} key={name}>
              <Pic name={name} size={64} label={`${say("appIcon")}, ${note}`} />
            </Launcher>
          ))}
        </div>
      ))}
    </Scene>
  );
}

const shown = (name: string, role: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "desktop",
  role,
  qualifiers,
});

export const desktopScenes: Scenes = {
  pictures: [
    shown("mac-icon", "mac-icon", "mac-128@2x", "mac-128@1x", "mac-256@1x", "mac-512@2x"),
    shown("shell-icon", "shell-icon", "512", "1024", "256"),
  ],
  icons,
  starts: [],
};
