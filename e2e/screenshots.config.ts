import { defineConfig } from "@playwright/test";
import tests from "./playwright.config.ts";

/** `npm run screenshots`: not a test, but driven the same way. */
export default defineConfig({ ...tests, testMatch: "*.screenshots.ts", timeout: 180_000 });
