import { Adaptive, Launcher, Pic, Scene } from "../../page/parts.tsx";
import { grounds, has, labelOf, type Scenes, type Shown } from "../../page/scenes.ts";
import type { Sheet } from "../../page/sheet.ts";

const shapes = [
  { shape: "circle", says: "circle" },
  { shape: "squircle", says: "squircle" },
  { shape: "rounded", says: "rounded" },
  { shape: "drop", says: "drop" },
] as const;

function icons({ sheet }: { sheet: Sheet }) {
  if (!has(sheet, "and-square")) return null;
  return (
    <Scene title="Android" note="one icon, cut to each maker's shape">
      {grounds.map((ground) => (
        <div class={`home android ${ground}`} key={ground}>
          {shapes.map(({ shape, says }) => (
            <Launcher label={labelOf(sheet)} note={says} key={shape}>
              <Adaptive shape={shape} />
            </Launcher>
          ))}
          <Launcher label={labelOf(sheet)} note="themed">
            <span class="cut circle themed">
              <i class="layer tint p-and-mono" />
            </span>
          </Launcher>
          <Launcher label={labelOf(sheet)} note="older, round">
            <Pic name="and-round" size={56} label="Round launcher icon" />
          </Launcher>
          <Launcher label={labelOf(sheet)} note="older">
            <Pic name="and-square" size={56} label="Launcher icon" />
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
    { device: "phone", picture: "and-start", says: "Android" },
    { device: "phone turned", picture: "and-start", says: "Android, turned" },
    { device: "phone night", picture: "and-start-dark", says: "Android, dark" },
    { device: "phone page stretched", picture: "and-full", says: "Android before 12" },
    { device: "phone page stretched turned", picture: "and-full-turned", says: "Android before 12, turned" },
    { device: "phone page stretched night", picture: "and-full-dark", says: "Android before 12, dark" },
    {
      device: "phone page stretched turned night",
      picture: "and-full-dark-turned",
      says: "Android before 12, dark, turned",
    },
  ],
};
