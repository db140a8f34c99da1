import { Launcher, Pic, Scene } from "../../../pages/parts/parts.tsx";
import { has, labelOf, type SceneProps, type Scenes, type Shown } from "../../../pages/parts/scenes.ts";

function icons({ sheet, say }: SceneProps) {
  if (!has(sheet, "ios-icon")) return null;
  const looks = [
    { ground: "light", picture: "ios-icon" },
    { ground: "dark", picture: has(sheet, "ios-dark") ? "ios-dark" : "ios-icon" },
    ...(has(sheet, "ios-tinted") ? [{ ground: "tinted", picture: "ios-tinted" } as const] : []),
  ] as const;
  return (
    <Scene title={say("iphone")} note={say("iphoneNote")}>
      {looks.map(({ ground, picture }) => (
        <div class={`home apple ${ground}`} key={ground}>
          <Launcher label={labelOf(sheet)} note={say(ground)}>
            <span class="apple-cut large">
              <Pic name={picture} label={`${say("appIcon")}, ${say(ground)}`} />
            </span>
          </Launcher>
          <div class="rows">
            <div class="found">
              <span class="apple-cut medium">
                <Pic name={picture} />
              </span>
              <b dir="auto">{labelOf(sheet)}</b>
            </div>
            <div class="found">
              <span class="apple-cut small">
                <Pic name={picture} />
              </span>
              <span dir="auto">{sheet.news ?? say("news")}</span>
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
    { device: "phone apple", picture: "ios-start", of: { name: "iPhone" } },
    { device: "phone apple turned", picture: "ios-start", of: { name: "iPhone" }, more: ["turned"] },
  ],
};
