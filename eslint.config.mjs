import next from "eslint-config-next";
import typescript from "eslint-config-next/typescript";

const config = [
  ...next,
  ...typescript,
  { ignores: [".next/", ".hobbin/", "node_modules/", "next-env.d.ts", "test-results/"] },
  {
    rules: {
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      eqeqeq: ["error", "smart"],
      "no-console": "off",
    },
  },
  {
    files: ["src/**/*.{ts,tsx}"],
    rules: { "no-console": "error" },
  },
];

export default config;
