import { definitions } from "../../app/platforms/all.ts";
import { platforms } from "../../ground/values/platform.ts";
import { Pic, Scene } from "../../pages/parts/parts.tsx";
import { grounds, has, labelOf, nameOf, type SceneProps, startSaid } from "../../pages/parts/scenes.ts";

export function StoreScene({ sheet, say }: SceneProps) {
  if (!["store-feature", "web-social", "win-poster"].some((name) => has(sheet, name))) return null;
  const ownedBy = (
    <span>
      <b dir="auto">{nameOf(sheet)}</b>
      <small dir="auto">{sheet.values.owner}</small>
    </span>
  );
  return (
    <Scene title={say("inStore")} note={say("inStoreNote")}>
      {has(sheet, "store-feature") ? (
        <div class="listing">
          <Pic name="store-feature" label={say("featureGraphic")} />
          <div>
            <Pic name="store-icon" label={say("storeIcon")} />
            {ownedBy}
          </div>
        </div>
      ) : null}
      {has(sheet, "win-poster") ? (
        <div class="listing poster">
          <Pic name="win-poster" label={say("storePoster")} />
          <div>{ownedBy}</div>
        </div>
      ) : null}
      {has(sheet, "web-social") ? (
        <div class="listing shared">
          <Pic name="web-social" label={say("socialPicture")} />
          <div>
            <span>
              <small>{sheet.values.domain}</small>
              <b dir="auto">{nameOf(sheet)}</b>
            </span>
          </div>
        </div>
      ) : null}
      {has(sheet, "and-note") ? (
        <div class="notices">
          {grounds.map((ground) => (
            <div class={`notice ${ground}`} key={ground}>
              <i class="dot">
                <Pic name="and-note" size={16} label={say("notificationIcon")} />
              </i>
              <span>
                <b dir="auto">{labelOf(sheet)}</b>
                <small dir="auto">{sheet.news ?? say("news")}</small>
              </span>
            </div>
          ))}
        </div>
      ) : null}
    </Scene>
  );
}

export function StartScene({ sheet, say }: SceneProps) {
  const screens = platforms
    .flatMap((platform) => definitions[platform].scenes.starts)
    .filter(({ picture }) => has(sheet, picture));
  if (screens.length === 0) return null;
  return (
    <Scene title={say("starting")} note={say("startingNote")}>
      {screens.map((screen) => (
        <figure class="starting" key={screen.device + screen.picture}>
          <div class={`device ${screen.device}`}>
            <Pic name={screen.picture} label={say("startScreen", { says: startSaid(screen, say) })} />
          </div>
          <small>{startSaid(screen, say)}</small>
        </figure>
      ))}
    </Scene>
  );
}

/** Where a template has several apps, or one icon for each way of building: which is whose. */
export function TargetScene({ sheet, say }: SceneProps) {
  if (sheet.icons.length === 0) return null;
  return (
    <Scene title={say("targets")} note={say("targetsNote")}>
      <ul class="targets">
        {sheet.icons.map(({ picture, belongs, folder }) => (
          <li key={picture}>
            <Pic name={picture} size={56} label={say("iconOf", { belongs })} />
            <div>
              {belongs.split("; ").map((each) => (
                <b key={each}>{each}</b>
              ))}
              <small>{folder}</small>
            </div>
          </li>
        ))}
      </ul>
    </Scene>
  );
}

/** What the app is called, and for whom. */
export function NameScene({ sheet, say }: SceneProps) {
  if (sheet.names.length === 0) return null;
  return (
    <Scene title={say("names")} note={say("namesNote")}>
      <table class="names">
        <thead>
          <tr>
            <th>{say("language")}</th>
            <th>{say("name")}</th>
            <th>{upperFirst(say("underTheIcon"))}</th>
          </tr>
        </thead>
        <tbody>
          {sheet.names.map(({ locale, direction, name, label, main }) => (
            <tr key={locale}>
              <td>
                <code>{locale}</code>
                {main ? <small>{say("forAllOthers")}</small> : null}
              </td>
              <td dir={direction} lang={locale}>
                {name}
              </td>
              <td dir={direction} lang={locale}>
                {label}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scene>
  );
}

const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
