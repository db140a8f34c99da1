import { type Browser, chromium } from "playwright-core";

/** The system's Chromium, which asks for nothing that it is not told to. */
export const openChromium = (): Promise<Browser> =>
  chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: [
      "--no-sandbox",
      "--disable-gpu",
      "--disable-background-networking",
      "--disable-component-update",
      "--disable-sync",
      "--no-first-run",
    ],
  });
