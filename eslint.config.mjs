import js from "@eslint/js";
import reactHooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["**/dist/", "**/.out/", "**/node_modules/"] },
  js.configs.recommended,
  {
    files: ["**/*.{ts,tsx}"],
    extends: [tseslint.configs.strictTypeChecked, tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: [
          "core/tsconfig.json",
          "core/test/tsconfig.json",
          "web/tsconfig.json",
          "server/tsconfig.json",
          "cli/tsconfig.json",
          "e2e/tsconfig.json",
          "scripts/tsconfig.json",
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/dot-notation": "off",
      "@typescript-eslint/no-confusing-void-expression": ["error", { ignoreArrowShorthand: true }],
      "@typescript-eslint/consistent-type-definitions": "off",
      // A field taken off by its name: the rest is what is wanted.
      "@typescript-eslint/no-unused-vars": ["error", { ignoreRestSiblings: true }],
    },
  },
  { files: ["web/**/*.{ts,tsx}"], extends: [reactHooks.configs.flat["recommended-latest"]] },
  {
    files: ["core/src/**"],
    rules: {
      "no-restricted-globals": [
        "error",
        "process",
        "Buffer",
        "fetch",
        "window",
        "document",
        "localStorage",
        "navigator",
        "Date",
      ],
      "no-restricted-imports": [
        "error",
        { patterns: ["node:*", "react", "react-dom", "@mui/*", "@wren/web*", "@wren/server*", "dexie"] },
      ],
    },
  },
  { files: ["**/*.mjs", "**/*.cjs"], languageOptions: { globals: globals.node } },
  // Parts of it run inside the page that is measured.
  {
    files: ["scripts/bench.mjs", "scripts/kills.mjs"],
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
  },
);
