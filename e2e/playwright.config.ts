import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: "src",
  testMatch: "*.spec.ts",
  outputDir: "../test-results",
  // One server and one browser at a time: the machine that lands this has two processors.
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [["list"]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: ["--no-sandbox", "--disable-background-networking", "--disable-component-update"],
    },
    trace: "retain-on-failure",
  },
});
