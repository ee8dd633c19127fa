import vue from "eslint-plugin-vue";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["dist", "node_modules", "src/api/schema.gen.ts", "test-results", "playwright-report"] },
  ...tseslint.configs.recommended,
  ...vue.configs["flat/recommended"],
  {
    files: ["**/*.vue"],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
  },
  {
    rules: {
      // Prettier decides how lines are broken.
      "vue/max-attributes-per-line": "off",
      "vue/singleline-html-element-content-newline": "off",
      "vue/html-self-closing": "off",
      "vue/html-indent": "off",
      "vue/html-closing-bracket-newline": "off",
      "vue/multiline-html-element-content-newline": "off",
      // Vue tells a required prop from an optional one by its type; a default that repeats `undefined` says nothing.
      "vue/require-default-prop": "off",
      // Features import each other only through their index.
      "no-restricted-imports": [
        "error",
        { patterns: [{ group: ["@/features/*/*"], message: "Import a feature by its index." }] },
      ],
      eqeqeq: "error",
      "no-console": "error",
    },
  },
  {
    // The router names each view by its file, so that it is loaded when it is first shown.
    files: ["src/app/router.ts"],
    rules: { "no-restricted-imports": "off" },
  },
);
