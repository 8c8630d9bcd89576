import { defineConfig } from "vitest/config";

/** What nobody mocks shares what it has loaded between files: loading the programs takes longer than most tests do. */
const shared = { isolate: false } as const;

export default defineConfig({
  test: {
    // Some of the time is waiting for servers and printers, so three files at a time keep two processors busy.
    maxWorkers: 3,
    projects: [
      // Exhaustive searches and many random cases: seconds here, more on a busy machine.
      {
        test: {
          ...shared,
          name: "core",
          root: "packages/core",
          include: ["src/**/*.test.ts"],
          testTimeout: 120_000,
        },
      },
      {
        test: {
          ...shared,
          name: "painters",
          root: "packages/painters",
          include: ["src/**/*.test.ts"],
          testTimeout: 150_000,
        },
      },
      {
        test: {
          name: "colour",
          root: "packages/colour",
          include: ["src/**/*.test.ts"],
          testTimeout: 150_000,
          hookTimeout: 150_000,
        },
      },
      {
        test: {
          ...shared,
          name: "seeing",
          root: "packages/seeing",
          include: ["src/**/*.test.ts"],
          testTimeout: 420_000,
        },
      },
      { test: { name: "ipp", root: "packages/ipp", include: ["src/**/*.test.ts"], testTimeout: 150_000 } },
      { test: { name: "devices", root: "devices", include: ["src/**/*.test.ts"], testTimeout: 120_000 } },
      { test: { name: "demo", root: "demo", include: ["src/**/*.test.ts"], testTimeout: 150_000 } },
      {
        test: {
          ...shared,
          name: "server",
          root: "apps/server",
          include: ["test/**/*.test.ts"],
          globalSetup: "test/build.ts",
          // How long a test waits for the server to get somewhere; on a busy machine that is more than a second.
          expect: { poll: { timeout: 30_000 } },
          testTimeout: 150_000,
          hookTimeout: 150_000,
        },
      },
      {
        test: {
          name: "cli",
          root: "apps/cli",
          include: ["test/**/*.test.ts"],
          globalSetup: "test/build.ts",
          testTimeout: 150_000,
        },
      },
      { test: { name: "web", root: "apps/web", include: ["src/**/*.test.ts"], testTimeout: 150_000 } },
    ],
  },
});
