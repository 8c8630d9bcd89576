import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: "src",
  testMatch: "*.spec.ts",
  outputDir: "../test-results",
  // Two at a time, each with a server of its own: the machine that lands this has two processors, and is slow at times.
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  expect: { timeout: 30_000 },
  reporter: [["list"]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: ["--no-sandbox", "--disable-background-networking", "--disable-component-update"],
    },
    // Recording takes a third of the time; a test that fails is run again with `--trace on`.
    trace: "off",
  },
});
