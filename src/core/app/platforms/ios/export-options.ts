import { posix } from "node:path";
import { write } from "../../../formats/splice/forms.ts";
import type { BuildFiles } from "../../template/build-files.ts";
import { profileOf } from "../../variant/signing.ts";
import { fieldOf } from "../../variant/variant.ts";

const theApp = { holds: "identifiers.ios", suffix: "" } as const;

/** What an archive is exported with (Apple, xcodebuild, export options); none where no team is known. */
export const iosBuildFiles: BuildFiles = (variant, { folder, signed = [] }) => {
  const team = variant.values["signing.team"]?.value;
  if (team === undefined) return [];
  const escaped = (value: string) => write("xml-text", value);
  const profiles = (signed.length > 0 ? signed : [theApp]).flatMap((each) => {
    const own = profileOf(variant, each);
    if (own === undefined) return [];
    const bundle = `${fieldOf(variant, each.holds)}${each.suffix}`;
    return [`\t\t<key>${escaped(bundle)}</key>\n\t\t<string>${escaped(own)}</string>\n`];
  });
  const named =
    profiles.length === 0 ? "" : `\t<key>provisioningProfiles</key>\n\t<dict>\n${profiles.join("")}\t</dict>\n`;
  const text = `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd">
<plist version="1.0">
<dict>
\t<key>method</key>
\t<string>app-store-connect</string>
${named}\t<key>signingStyle</key>
\t<string>${profiles.length === 0 ? "automatic" : "manual"}</string>
\t<key>teamID</key>
\t<string>${escaped(team)}</string>
</dict>
</plist>
`;
  return [{ path: posix.join(folder, "ExportOptions.plist"), text }];
};
