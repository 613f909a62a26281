import js from "@eslint/js";
import a11y from "eslint-plugin-jsx-a11y";
import hooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(js.configs.recommended, ...tseslint.configs.strict, {
  files: ["src/**/*.{ts,tsx}"],
  plugins: { "react-hooks": hooks, "jsx-a11y": a11y },
  rules: {
    ...hooks.configs.recommended.rules,
    ...a11y.flatConfigs.recommended.rules,
    // Focus moves into what a person has just opened: a dialog, a form in a card.
    "jsx-a11y/no-autofocus": "off",
    // What scrolls can be reached by key.
    "jsx-a11y/no-noninteractive-tabindex": ["error", { tags: [], roles: ["region", "tabpanel"] }],
    "@typescript-eslint/no-non-null-assertion": "error",
  },
});
