import { Pic, Scene } from "../../../pages/parts/parts.tsx";
import { grounds, has, nameOf, type SceneProps, type Scenes, type Shown } from "../../../pages/parts/scenes.ts";

function icons({ sheet, say }: SceneProps) {
  if (!has(sheet, "win-medium")) return null;
  const tiles = [
    { picture: "win-large", size: "large" },
    { picture: "win-wide", size: "wide" },
    { picture: "win-medium", size: "medium" },
    { picture: "win-small", size: "small" },
    { picture: "win-store", size: "store" },
    { picture: "win-plated", size: "plated" },
  ].filter(({ picture }) => has(sheet, picture));
  return (
    <Scene title="Windows" note={say("windowsNote")}>
      <div class="start-menu">
        {tiles.map(({ picture, size }) => (
          <span class={`tile ${size}`} key={size}>
            <Pic name={picture} label={say("tile")} />
          </span>
        ))}
      </div>
      <div class="bars">
        {grounds.map((ground) => (
          <div class={`bar ${ground}`} key={ground}>
            <i class="bar-mark" />
            <Pic name={ground === "light" ? "win-light" : "win-unplated"} size={32} label={say("taskBarIcon")} />
            <Pic name={ground === "light" ? "win-light" : "win-unplated"} size={24} />
            <Pic name={ground === "light" ? "win-light" : "win-unplated"} size={16} />
            <span dir="auto">{nameOf(sheet)}</span>
          </div>
        ))}
        <div class="bar list light">
          <Pic name="win-plated" size={32} label={say("listIcon")} />
          <span dir="auto">{nameOf(sheet)}</span>
        </div>
        {has(sheet, "win-badge") ? (
          <div class="bar lock">
            <Pic name="win-badge" size={24} label={say("lockBadge")} />
            <span>1</span>
          </div>
        ) : null}
      </div>
    </Scene>
  );
}

const shown = (name: string, role: string, qualifier = "scale-200"): Shown => ({
  name,
  platform: "windows",
  role,
  qualifiers: [qualifier],
});

export const windowsScenes: Scenes = {
  pictures: [
    shown("win-small", "Square71x71Logo"),
    shown("win-medium", "Square150x150Logo"),
    shown("win-wide", "Wide310x150Logo"),
    shown("win-large", "Square310x310Logo"),
    shown("win-start", "SplashScreen"),
    shown("win-store", "Logo"),
    shown("win-plated", "Square44x44Logo", "targetsize-64"),
    shown("win-unplated", "Square44x44Logo", "targetsize-48_altform-unplated"),
    shown("win-light", "Square44x44Logo", "targetsize-48_altform-lightunplated"),
    shown("win-badge", "BadgeLogo"),
    shown("win-poster", "store-poster", "720x1080"),
    shown("program-icon", "program-icon", "256"),
  ],
  icons,
  starts: [{ device: "window", picture: "win-start", of: { name: "Windows" } }],
};
