import { defineConfig } from "@playwright/test";

// The journeys run against the real binary, started by e2e/server.ts, in Debian's Chromium.
export default defineConfig({
  testDir: "e2e",
  // Machines that share their cores stand still for seconds at a time. Waiting longer costs nothing when all is well.
  timeout: 900_000,
  expect: { timeout: 120_000 },
  workers: 1,
  // Nor does a second try, on a server of its own, of what a stall broke: it is told as flaky, and what is wrong fails twice.
  retries: 1,
  reporter: [["list"]],
  outputDir: "test-results",
  use: {
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--no-first-run",
        "--disable-quic",
        // Containers often run as root and with little shared memory.
        "--no-sandbox",
        "--disable-dev-shm-usage",
      ],
    },
  },
});
