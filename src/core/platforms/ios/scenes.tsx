import { Launcher, Pic, Scene } from "../../page/parts.tsx";
import { has, labelOf, type Scenes, type Shown } from "../../page/scenes.ts";
import type { Sheet } from "../../page/sheet.ts";

function icons({ sheet }: { sheet: Sheet }) {
  if (!has(sheet, "ios-icon")) return null;
  const looks = [
    { ground: "light", picture: "ios-icon", note: "light" },
    { ground: "dark", picture: has(sheet, "ios-dark") ? "ios-dark" : "ios-icon", note: "dark" },
    ...(has(sheet, "ios-tinted") ? [{ ground: "tinted", picture: "ios-tinted", note: "tinted" }] : []),
  ];
  return (
    <Scene title="iPhone and iPad" note="light, dark and tinted">
      {looks.map(({ ground, picture, note }) => (
        <div class={`home apple ${ground}`} key={ground}>
          <Launcher label={labelOf(sheet)} note={note}>
            <span class="apple-cut large">
              <Pic name={picture} label={`App icon, ${note}`} />
            </span>
          </Launcher>
          <div class="rows">
            <div class="found">
              <span class="apple-cut medium">
                <Pic name={picture} />
              </span>
              <b>{labelOf(sheet)}</b>
            </div>
            <div class="found">
              <span class="apple-cut small">
                <Pic name={picture} />
              </span>
              <span>Your box is on its way</span>
            </div>
          </div>
        </div>
      ))}
    </Scene>
  );
}

const icon = (name: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "ios",
  role: "icon",
  qualifiers,
});

export const iosScenes: Scenes = {
  pictures: [
    icon("ios-icon", "universal", "ios-marketing-1024@1x"),
    icon("ios-dark", "universal-dark"),
    icon("ios-tinted", "universal-tinted"),
    { name: "ios-start", platform: "ios", role: "start-mark", qualifiers: ["2x", "3x", "1x"] },
  ],
  icons,
  starts: [
    { device: "phone apple", picture: "ios-start", says: "iPhone" },
    { device: "phone apple turned", picture: "ios-start", says: "iPhone, turned" },
  ],
};
