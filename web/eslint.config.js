import js from "@eslint/js";
import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

// Each folder imports from those before it only, so the whole reads in one order.
const layers = ["units", "ui", "api", "state", "drawing", "stations", "pages"];

const layerRules = layers.slice(0, -1).map((layer, i) => ({
  files: [`src/${layer}/**`],
  rules: {
    "no-restricted-imports": [
      "error",
      {
        patterns: [
          {
            regex: `^(\\.\\./)+(${layers.slice(i + 1).join("|")})/`,
            message: `${layer} comes before that folder: ${layers.join(" → ")}.`,
          },
        ],
      },
    ],
  },
}));

export default tseslint.config(
  { ignores: ["generated/**", "dist/**", "node_modules/**"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  reactHooks.configs.flat.recommended,
  jsxA11y.flatConfigs.recommended,
  {
    rules: {
      // Handles on the drawing are SVG groups with the slider role: focusable and moved by keys and pointer.
      "jsx-a11y/no-noninteractive-tabindex": ["error", { roles: ["slider", "region"], tags: [] }],
      // What is taken out of a record by name is left out of the rest.
      "@typescript-eslint/no-unused-vars": ["error", { ignoreRestSiblings: true }],
      eqeqeq: ["error", "always", { null: "ignore" }],
    },
  },
  ...layerRules,
);
