import type { Platform } from "../../ground/values/platform.ts";

/** A build, by what tells it from others. */
export interface BuildAt {
  client: string;
  stage: string;
  version: string;
  build: number;
  platform: Platform;
}

/** Where a build's result and log lie, relative to the workspace. */
export const buildFolder = ({ client, stage, version, build, platform }: BuildAt): string =>
  `builds/${client}/${stage}/${version}+${build}/${platform}`;

/** Where it is made: a folder that is held while it lasts, relative to the workspace. */
export const workFolder = ({ client, stage, platform }: Pick<BuildAt, "client" | "stage" | "platform">): string =>
  `.oxalis/building/${client}.${stage}.${platform}`;
