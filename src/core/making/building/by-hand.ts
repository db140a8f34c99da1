import { systemFacts } from "../../ground/systems/system.ts";
import { platformNames } from "../../ground/values/platform.ts";
import type { PlannedBuild } from "./prepare.ts";
import { buildFolder } from "./work.ts";

/** How a build is made by hand, on a machine that can: as Markdown. @param identifier of the app on its platform */
export function byHand(build: PlannedBuild, identifier: string): string {
  const { client, stage, platform, version, steps, folder, part } = build;
  const inside = (path: string) => [folder, path].filter(Boolean).join("/");
  const given = Object.entries(steps.gives).flatMap(([kind, path]) => (path === undefined ? [] : [{ kind, path }]));
  const results = given.map(({ kind, path }) => `- ${kind}: \`${inside(path)}\``);
  const typed = steps.steps.map(({ run, in: at = part, minutes }, index) =>
    [`${index + 1}. In \`${inside(at) || "."}\` (at most ${minutes} minutes):`, "", `       ${run}`].join("\n"),
  );
  const wants = systemFacts[steps.on ?? "linux"].title;
  const stageSaid = stage === "store" ? "" : ` --stage ${stage}`;
  return `# ${client}: ${platformNames[platform]}, version ${version}, number ${build.build}

This build wants ${wants}. The app is ${identifier}; its project lies in \`${inside(part)}\`.
Copy \`${folder}\` to that machine, and type there:

${typed.join("\n")}

The environment has to say:

    CLIENT=${client} STAGE=${stage} VERSION=${version} BUILD=${build.build}

What comes out:

${results.join("\n")}

Bring it back, and take it in:

    oxalis build ${client} --platform ${platform}${stageSaid} --adopt <file>

It lies in \`${buildFolder(build)}\` then.
`;
}
