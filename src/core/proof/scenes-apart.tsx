import type { Sheet } from "./model.ts";
import { Launcher, Pic, Scene } from "./parts.tsx";

const grounds = ["light", "dark"] as const;

/** Icons of programs, as a dock and a task bar show them. */
export function DesktopScene({ sheet }: { sheet: Sheet }) {
  const icons = [
    { name: "mac-icon", note: "dock" },
    { name: "shell-icon", note: "window" },
    { name: "program-icon", note: "task bar" },
  ].filter(({ name }) => sheet.pictures.has(name));
  if (icons.length === 0) return null;
  return (
    <Scene title="Desktop" note="programs, in a dock and in a task bar">
      {grounds.map((ground) => (
        <div class={`home desktop ${ground}`} key={ground}>
          {icons.map(({ name, note }) => (
            <Launcher label={sheet.values["app.label"] ?? ""} note={note} key={name}>
              <Pic name={name} size={64} label={`Icon, ${note}`} />
            </Launcher>
          ))}
        </div>
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
