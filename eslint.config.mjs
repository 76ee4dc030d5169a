import next from "eslint-config-next";
import typescript from "eslint-config-next/typescript";

/** What is said about React, of files in which there is none: its compiler reads each of them whole to say nothing. */
const NO_REACT = Object.fromEntries(
  [...next, ...typescript]
    .flatMap(({ rules = {} }) => Object.keys(rules))
    .filter((rule) => /^(react|react-hooks|jsx-a11y)\//.test(rule))
    .map((rule) => [rule, "off"]),
);

const config = [
  ...next,
  ...typescript,
  {
    ignores: [
      ".next/",
      "build/",
      ".hobbin/",
      "public/extension/",
      "public/pdf/",
      "node_modules/",
      "next-env.d.ts",
      "test-results/",
    ],
  },
  {
    rules: {
      "@typescript-eslint/consistent-type-imports": "error",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      eqeqeq: ["error", "smart"],
      "no-console": "off",
    },
  },
  {
    rules: {
      // Pages that change who is signed in, or in which team, are loaded anew on purpose.
      "@next/next/no-location-assign-relative-destination": "off",
      "@next/next/no-head-element": "off",
      // The React compiler is not used; what is memoised by hand stays so.
      "react-hooks/preserve-manual-memoization": "off",
      "react-hooks/incompatible-library": "off",
    },
  },
  {
    files: [
      "src/{core,data,mechanism,services,http,outside,jobs,workers}/**",
      "{tests,tools,standin,demo,extension}/**",
    ],
    rules: NO_REACT,
  },
  {
    files: ["src/**/*.{ts,tsx}"],
    rules: { "no-console": "error" },
  },
  {
    files: ["src/**/*.tsx"],
    ignores: ["src/ui/parts/link.tsx"],
    // It would ask for the pages behind all links in sight.
    rules: { "no-restricted-imports": ["error", { name: "next/link", message: "Take ui/parts/link." }] },
  },
];

export default config;
