import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [
      { test: { name: "core", root: "packages/core", include: ["src/**/*.test.ts"] } },
      {
        test: {
          name: "painters",
          root: "packages/painters",
          include: ["src/**/*.test.ts"],
          testTimeout: 60_000,
        },
      },
      { test: { name: "demo", root: "demo", include: ["src/**/*.test.ts"], testTimeout: 60_000 } },
      {
        test: {
          name: "server",
          root: "apps/server",
          include: ["test/**/*.test.ts"],
          globalSetup: "test/build.ts",
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
      {
        test: {
          name: "cli",
          root: "apps/cli",
          include: ["test/**/*.test.ts"],
          globalSetup: "test/build.ts",
          testTimeout: 60_000,
        },
      },
      { test: { name: "web", root: "apps/web", include: ["src/**/*.test.ts"] } },
    ],
  },
});
