import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { extname } from "node:path";
import { contents } from "./oxalis.ts";

const mediaTypes: Record<string, string> = {
  ".html": "text/html",
  ".js": "text/javascript",
  ".css": "text/css",
  ".json": "application/json",
  ".webmanifest": "application/manifest+json",
  ".png": "image/png",
  ".svg": "image/svg+xml",
  ".ico": "image/x-icon",
};

/** Serves a folder as a web server would, until it is closed. */
export async function serve(folder: string): Promise<{ address: string; close(): void }> {
  const files = contents(folder);
  const server = createServer((request, response) => {
    const path = decodeURIComponent((request.url ?? "/").replace(/^\//, "").replace(/[?#].*$/, "")) || "index.html";
    const body = files.get(path);
    response.writeHead(body ? 200 : 404, {
      "content-type": mediaTypes[extname(path)] ?? "application/octet-stream",
    });
    response.end(body);
  });
  await new Promise<void>((ready) => server.listen(0, "127.0.0.1", ready));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => server.close(),
  };
}
