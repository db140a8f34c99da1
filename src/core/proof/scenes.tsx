import { Pic, Scene } from "../page/parts.tsx";
import { grounds, has, labelOf, nameOf } from "../page/scenes.ts";
import type { Sheet } from "../page/sheet.ts";
import { definitions } from "../platforms/all.ts";
import { platforms } from "../values/platform.ts";

export function StoreScene({ sheet }: { sheet: Sheet }) {
  if (!has(sheet, "store-feature") && !has(sheet, "web-social")) return null;
  return (
    <Scene title="In the store, and when it is shared" note="store icon, feature graphic, social picture, notification">
      {has(sheet, "store-feature") ? (
        <div class="listing">
          <Pic name="store-feature" label="Feature graphic" />
          <div>
            <Pic name="store-icon" label="Store icon" />
            <span>
              <b dir="auto">{nameOf(sheet)}</b>
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
                <Pic name="and-note" size={16} label="Notification icon" />
              </i>
              <span>
                <b dir="auto">{labelOf(sheet)}</b>
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
  const screens = platforms
    .flatMap((platform) => definitions[platform].scenes.starts)
    .filter(({ picture }) => has(sheet, picture));
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

/** Where a template has several apps, or one icon for each way of building: which is whose. */
export function TargetScene({ sheet }: { sheet: Sheet }) {
  if (sheet.icons.length === 0) return null;
  return (
    <Scene title="Targets" note="whose icon each set is, by target and configuration">
      <ul class="targets">
        {sheet.icons.map(({ picture, belongs, folder }) => (
          <li key={picture}>
            <Pic name={picture} size={56} label={`Icon of ${belongs}`} />
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
export function NameScene({ sheet }: { sheet: Sheet }) {
  if (sheet.names.length === 0) return null;
  return (
    <Scene title="Names" note="by the language of the device">
      <table class="names">
        <thead>
          <tr>
            <th>Language</th>
            <th>Name</th>
            <th>Under the icon</th>
          </tr>
        </thead>
        <tbody>
          {sheet.names.map(({ locale, direction, name, label, main }) => (
            <tr key={locale}>
              <td>
                <code>{locale}</code>
                {main ? <small>and for all others</small> : null}
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
