import type { Sheet } from "./model.ts";
import { Adaptive, Launcher, Pic, Scene } from "./parts.tsx";

const shapes = [
  { shape: "circle", says: "circle" },
  { shape: "squircle", says: "squircle" },
  { shape: "rounded", says: "rounded" },
  { shape: "drop", says: "drop" },
] as const;

const grounds = ["light", "dark"] as const;

const has = (sheet: Sheet, name: string): boolean => sheet.pictures.has(name);
const label = (sheet: Sheet): string => sheet.values["app.label"] ?? "";
const name = (sheet: Sheet): string => sheet.values["app.name"] ?? "";

export function AndroidScene({ sheet }: { sheet: Sheet }) {
  if (!has(sheet, "and-square")) return null;
  return (
    <Scene title="Android" note="one icon, cut to each maker's shape">
      {grounds.map((ground) => (
        <div class={`home android ${ground}`} key={ground}>
          {shapes.map(({ shape, says }) => (
            <Launcher label={label(sheet)} note={says} key={shape}>
              <Adaptive shape={shape} />
            </Launcher>
          ))}
          <Launcher label={label(sheet)} note="themed">
            <span class="cut circle themed">
              <i class="layer tint p-and-mono" />
            </span>
          </Launcher>
          <Launcher label={label(sheet)} note="older, round">
            <Pic name="and-round" size={56} label="Round launcher icon" />
          </Launcher>
          <Launcher label={label(sheet)} note="older">
            <Pic name="and-square" size={56} label="Launcher icon" />
          </Launcher>
        </div>
      ))}
    </Scene>
  );
}

export function IosScene({ sheet }: { sheet: Sheet }) {
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
          <Launcher label={label(sheet)} note={note}>
            <span class="apple-cut large">
              <Pic name={picture} label={`App icon, ${note}`} />
            </span>
          </Launcher>
          <div class="rows">
            <div class="found">
              <span class="apple-cut medium">
                <Pic name={picture} />
              </span>
              <b>{label(sheet)}</b>
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

export function WindowsScene({ sheet }: { sheet: Sheet }) {
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
    <Scene title="Windows" note="tiles, task bar, lock screen">
      <div class="start-menu">
        {tiles.map(({ picture, size }) => (
          <span class={`tile ${size}`} key={size}>
            <Pic name={picture} label={`Tile, ${size}`} />
          </span>
        ))}
      </div>
      <div class="bars">
        {grounds.map((ground) => (
          <div class={`bar ${ground}`} key={ground}>
            <i class="bar-mark" />
            <Pic name={ground === "light" ? "win-light" : "win-unplated"} size={32} label="Task bar icon" />
            <Pic name={ground === "light" ? "win-light" : "win-unplated"} size={24} />
            <Pic name={ground === "light" ? "win-light" : "win-unplated"} size={16} />
            <span>{name(sheet)}</span>
          </div>
        ))}
        <div class="bar list light">
          <Pic name="win-plated" size={32} label="Icon in the list of apps" />
          <span>{name(sheet)}</span>
        </div>
        {has(sheet, "win-badge") ? (
          <div class="bar lock">
            <Pic name="win-badge" size={24} label="Lock screen badge" />
            <span>1</span>
          </div>
        ) : null}
      </div>
    </Scene>
  );
}

export function WebScene({ sheet }: { sheet: Sheet }) {
  if (!has(sheet, "web-any")) return null;
  return (
    <Scene title="Web" note="in a tab, installed, on a home screen">
      <div class="tabs">
        {grounds.map((ground) => (
          <div class={`browser ${ground}`} key={ground}>
            <div class="tab">
              <Pic name="web-tab" size={16} label="Page icon" />
              <span>{name(sheet)}</span>
            </div>
            <div class="address">{sheet.values.domain}</div>
          </div>
        ))}
      </div>
      {grounds.map((ground) => (
        <div class={`home web ${ground}`} key={ground}>
          <Launcher label={label(sheet)} note="plain">
            <Pic name="web-any" size={56} label="Manifest icon" />
          </Launcher>
          {(["circle", "rounded"] as const).map((shape) => (
            <Launcher label={label(sheet)} note="maskable" key={shape}>
              <span class={`cut ${shape}`}>
                <Pic name="web-mask" label="Maskable icon" />
              </span>
            </Launcher>
          ))}
          <Launcher label={label(sheet)} note="touch">
            <span class="apple-cut web-touch">
              <Pic name="web-touch" label="Touch icon" />
            </span>
          </Launcher>
        </div>
      ))}
    </Scene>
  );
}

export function StoreScene({ sheet }: { sheet: Sheet }) {
  if (!has(sheet, "store-feature") && !has(sheet, "web-social")) return null;
  return (
    <Scene
      title="In the store, and when it is shared"
      note="store icon, feature graphic, social picture, notification"
    >
      {has(sheet, "store-feature") ? (
        <div class="listing">
          <Pic name="store-feature" label="Feature graphic" />
          <div>
            <Pic name="store-icon" label="Store icon" />
            <span>
              <b dir="auto">{name(sheet)}</b>
              <small dir="auto">{sheet.values.owner}</small>
            </span>
          </div>
        </div>
      ) : null}
      {has(sheet, "web-social") ? (
        <div class="listing shared">
          <Pic name="web-social" label="Social picture" />
          <div>
            <span>
              <small>{sheet.values.domain}</small>
              <b dir="auto">{name(sheet)}</b>
            </span>
          </div>
        </div>
      ) : null}
      {has(sheet, "and-note") ? (
        <div class="notices">
          {grounds.map((ground) => (
            <div class={`notice ${ground}`} key={ground}>
              <i class="dot">
                <Pic name="and-note" size={16} label="Notification icon" />
              </i>
              <span>
                <b dir="auto">{label(sheet)}</b>
                <small>Your box is on its way</small>
              </span>
            </div>
          ))}
        </div>
      ) : null}
    </Scene>
  );
}

export function StartScene({ sheet }: { sheet: Sheet }) {
  const screens = [
    { device: "phone", picture: "and-start", says: "Android" },
    { device: "phone turned", picture: "and-start", says: "Android, turned" },
    { device: "phone apple", picture: "ios-start", says: "iPhone" },
    { device: "phone apple turned", picture: "ios-start", says: "iPhone, turned" },
    { device: "phone night", picture: "and-start-dark", says: "Android, dark" },
    { device: "phone page stretched", picture: "and-full", says: "Android before 12" },
    { device: "phone page stretched turned", picture: "and-full-turned", says: "Android before 12, turned" },
    { device: "phone page stretched night", picture: "and-full-dark", says: "Android before 12, dark" },
    {
      device: "phone page stretched turned night",
      picture: "and-full-dark-turned",
      says: "Android before 12, dark, turned",
    },
    { device: "window", picture: "win-start", says: "Windows" },
    { device: "phone page", picture: "web-start", says: "Page, on iPhone" },
    { device: "phone page turned", picture: "web-start-turned", says: "Page, on iPhone, turned" },
  ].filter(({ picture }) => has(sheet, picture));
  if (screens.length === 0) return null;
  return (
    <Scene title="While the app starts" note="upright and turned, by day and by night">
      {screens.map(({ device, picture, says }) => (
        <figure class="starting" key={says}>
          <div class={`device ${device}`}>
            <Pic name={picture} label={`Start screen, ${says}`} />
          </div>
          <small>{says}</small>
        </figure>
      ))}
    </Scene>
  );
}
