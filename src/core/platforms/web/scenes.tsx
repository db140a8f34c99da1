import { Launcher, Pic, Scene } from "../../page/parts.tsx";
import { grounds, has, labelOf, nameOf, type Scenes, type Shown } from "../../page/scenes.ts";
import type { Sheet } from "../../page/sheet.ts";

function icons({ sheet }: { sheet: Sheet }) {
  if (!has(sheet, "web-any")) return null;
  return (
    <Scene title="Web" note="in a tab, installed, on a home screen">
      <div class="tabs">
        {grounds.map((ground) => (
          <div class={`browser ${ground}`} key={ground}>
            <div class="tab">
              <Pic name="web-tab" size={16} label="Page icon" />
              <span>{nameOf(sheet)}</span>
            </div>
            <div class="address">{sheet.values.domain}</div>
          </div>
        ))}
      </div>
      {grounds.map((ground) => (
        <div class={`home web ${ground}`} key={ground}>
          <Launcher label={labelOf(sheet)} note="plain">
            <Pic name="web-any" size={56} label="Manifest icon" />
          </Launcher>
          {(["circle", "rounded"] as const).map((shape) => (
            <Launcher label={labelOf(sheet)} note="maskable" key={shape}>
              <span class={`cut ${shape}`}>
                <Pic name="web-mask" label="Maskable icon" />
              </span>
            </Launcher>
          ))}
          <Launcher label={labelOf(sheet)} note="touch">
            <span class="apple-cut web-touch">
              <Pic name="web-touch" label="Touch icon" />
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
    { device: "phone page", picture: "web-start", says: "Page, on iPhone" },
    { device: "phone page turned", picture: "web-start-turned", says: "Page, on iPhone, turned" },
  ],
};
