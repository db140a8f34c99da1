import type { Slot } from "../slots/slot.ts";
import type { Platform } from "../values/platform.ts";
import { appStore } from "./app-store/app-store.ts";
import type { StoreDefinition } from "./definition.ts";
import { googlePlay } from "./google-play/google-play.ts";
import { macAppStore } from "./mac-app-store/mac-app-store.ts";
import { microsoftStore } from "./microsoft-store/microsoft-store.ts";

/** Every store that is known. */
export const stores: readonly StoreDefinition[] = [googlePlay, appStore, macAppStore, microsoftStore];

/** Pictures that the stores of a platform want. */
export const picturesFor = (platform: Platform): Slot[] =>
  stores.filter(({ takes }) => takes.includes(platform)).flatMap(({ pictures }) => pictures);
