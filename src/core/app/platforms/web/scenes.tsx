import { Launcher, Pic, Scene } from "../../../pages/parts/parts.tsx";
import {
  grounds,
  has,
  labelOf,
  nameOf,
  type SceneProps,
  type Scenes,
  type Shown,
} from "../../../pages/parts/scenes.ts";

function icons({ sheet, say }: SceneProps) {
  if (!has(sheet, "web-any")) return null;
  return (
    <Scene title={say("web")} note={say("webNote")}>
      <div class="tabs">
        {grounds.map((ground) => (
          <div class={`browser ${ground}`} key={ground}>
            <div class="tab">
              <Pic name="web-tab" size={16} label={say("tabIcon")} />
              <span dir="auto">{nameOf(sheet)}</span>
            </div>
            <div class="address">{sheet.values.domain}</div>
          </div>
        ))}
      </div>
      {grounds.map((ground) => (
        <div class={`home web ${ground}`} key={ground}>
          <Launcher label={labelOf(sheet)} note={say("plain")}>
            <Pic name="web-any" size={56} label={say("appIcon")} />
          </Launcher>
          {(["circle", "rounded"] as const).map((shape) => (
            <Launcher label={labelOf(sheet)} note={say("maskable")} key={shape}>
              <span class={`cut ${shape}`}>
                <Pic name="web-mask" label={`${say("appIcon")}, ${say("maskable")}`} />
              </span>
            </Launcher>
          ))}
          <Launcher label={labelOf(sheet)} note={say("touch")}>
            <span class="apple-cut web-touch">
              <Pic name="web-touch" label={`${say("appIcon")}, ${say("touch")}`} />
            </span>
          </Launcher>
        </div>
      ))}
    </Scene>
  );
}

const shown = (name: string, role: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "web",
  role,
  qualifiers,
});

export const webScenes: Scenes = {
  pictures: [
    shown("web-any", "any", "192", "512"),
    shown("web-mask", "maskable", "192", "512"),
    shown("web-mono", "monochrome", "512"),
    shown("web-touch", "touch", "180"),
    shown("web-social", "social", "1200x630"),
    shown("web-start", "start-portrait", "375x812@3"),
    shown("web-start-turned", "start-landscape", "375x812@3"),
    shown("web-tab", "favicon", "48", "32", "64"),
  ],
  icons,
  starts: [
    { device: "phone page", picture: "web-start", of: { word: "pageOnIphone" } },
    { device: "phone page turned", picture: "web-start-turned", of: { word: "pageOnIphone" }, more: ["turned"] },
  ],
};
