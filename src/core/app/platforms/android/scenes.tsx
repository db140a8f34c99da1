import { Adaptive, Launcher, Pic, Scene } from "../../../pages/parts/parts.tsx";
import { grounds, has, labelOf, type SceneProps, type Scenes, type Shown } from "../../../pages/parts/scenes.ts";

const shapes = ["circle", "squircle", "rounded", "drop"] as const;

function icons({ sheet, say }: SceneProps) {
  if (!has(sheet, "and-square")) return null;
  return (
    <Scene title="Android" note={say("androidNote")}>
      {grounds.map((ground) => (
        <div class={`home android ${ground}`} key={ground}>
          {shapes.map((shape) => (
            <Launcher label={labelOf(sheet)} note={say(shape)} key={shape}>
              <Adaptive shape={shape} />
            </Launcher>
          ))}
          <Launcher label={labelOf(sheet)} note={say("themed")}>
            <span class="cut circle themed">
              <i class="layer tint p-and-mono" />
            </span>
          </Launcher>
          <Launcher label={labelOf(sheet)} note={say("olderRound")}>
            <Pic name="and-round" size={56} label={say("appIcon")} />
          </Launcher>
          <Launcher label={labelOf(sheet)} note={say("older")}>
            <Pic name="and-square" size={56} label={say("appIcon")} />
          </Launcher>
        </div>
      ))}
    </Scene>
  );
}

const shown = (name: string, role: string, ...qualifiers: string[]): Shown => ({
  name,
  platform: "android",
  role,
  qualifiers: qualifiers.length > 0 ? qualifiers : ["xxhdpi"],
});

/** A picture over the whole screen, by day or by night. */
const full = (name: string, turn: "port" | "land", night = ""): Shown =>
  shown(
    name,
    `start-full-${turn}`,
    ...["xhdpi", "xxhdpi", "xxxhdpi", "hdpi", "mdpi"].map((density) => `${density}${night}`),
  );

const android = { name: "Android" };
const before = { word: "androidBefore12" } as const;

export const androidScenes: Scenes = {
  pictures: [
    shown("and-front", "adaptive-foreground"),
    shown("and-back", "adaptive-background"),
    shown("and-mono", "adaptive-monochrome"),
    shown("and-square", "launcher"),
    shown("and-round", "launcher-round"),
    shown("and-start", "start-mark", "xhdpi"),
    shown("and-start-dark", "start-mark", "xhdpi-night"),
    full("and-full", "port"),
    full("and-full-turned", "land"),
    full("and-full-dark", "port", "-night"),
    full("and-full-dark-turned", "land", "-night"),
    shown("and-note", "notification"),
    shown("store-icon", "store-icon", "512"),
    shown("store-feature", "feature-graphic", "1024x500"),
  ],
  icons,
  starts: [
    { device: "phone", picture: "and-start", of: android },
    { device: "phone turned", picture: "and-start", of: android, more: ["turned"] },
    { device: "phone night", picture: "and-start-dark", of: android, more: ["dark"] },
    { device: "phone page stretched", picture: "and-full", of: before },
    { device: "phone page stretched turned", picture: "and-full-turned", of: before, more: ["turned"] },
    { device: "phone page stretched night", picture: "and-full-dark", of: before, more: ["dark"] },
    {
      device: "phone page stretched turned night",
      picture: "and-full-dark-turned",
      of: before,
      more: ["dark", "turned"],
    },
  ],
};
