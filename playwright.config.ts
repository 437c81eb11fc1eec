import { defineConfig } from "@playwright/test";

const port = Number(process.env.PORT ?? 4319);

export default defineConfig({
  testDir: "e2e",
  // Generous: on a busy machine of two cores the page, its workers and the test share them.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  fullyParallel: true,
  workers: 2,
  retries: 0,
  reporter: [["list"], ["json", { outputFile: ".verify/e2e.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    // What is waited for in vain is named, before the test as a whole runs out of time.
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    // Only the walk without a server needs it; elsewhere each test would fill its cache anew.
    serviceWorkers: "block",
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  webServer: {
    command: `node scripts/server.mjs`,
    env: { NODE_ENV: "production", PORT: String(port), NEXT_TELEMETRY_DISABLED: "1" },
    url: `http://127.0.0.1:${port}/`,
    reuseExistingServer: true,
    timeout: 60_000,
  },
});
