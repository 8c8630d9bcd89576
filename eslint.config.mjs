import js from "@eslint/js";
import hooks from "eslint-plugin-react-hooks";
import ts from "typescript-eslint";

export default ts.config(
  {
    ignores: [
      "**/node_modules",
      "**/dist",
      ".wide-quilt",
      "test-results",
      "playwright-report",
      "apps/server/drizzle",
    ],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    rules: {
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      "@typescript-eslint/no-empty-object-type": "off",
      eqeqeq: "error",
      "prefer-const": "error",
    },
  },
  {
    // What differs by kind of job is a member of the kind: nobody else asks which it is.
    files: ["packages/*/src/**", "apps/*/src/**"],
    ignores: ["**/*.test.ts", "packages/core/src/kinds/**", "packages/core/src/job/{migrate,names6}.ts"],
    rules: {
      "no-restricted-syntax": [
        "error",
        ...["[object.name='ticket']", "[object.property.name='ticket']"].map((of) => ({
          selector: `BinaryExpression[right.type='Literal'] > MemberExpression[property.name='kind']${of}`,
          message: "Ask the kind of the job (kindOf) for what differs, with a member of its own.",
        })),
      ],
    },
  },
  { files: ["apps/web/src/**"], ...hooks.configs.flat["recommended-latest"] },
  {
    files: ["**/*.mjs", "scripts/**"],
    languageOptions: {
      globals: { process: "readonly", console: "readonly", URL: "readonly", setTimeout: "readonly" },
    },
  },
  {
    // The core stays free of Node.js, the browser, the clock and chance.
    files: ["packages/core/src/**"],
    ignores: ["**/*.test.ts"],
    rules: {
      "no-restricted-globals": ["error", "window", "document", "process", "Buffer", "Date", "performance"],
      "no-restricted-properties": ["error", { object: "Math", property: "random" }],
      "no-restricted-imports": ["error", { patterns: ["node:*", "react*", "@wide-quilt/*"] }],
    },
  },
);
