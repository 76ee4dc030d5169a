declare module "tidy-url/data/rules.js" {
  const rules: { name: string; match?: RegExp; rules?: string[] }[];
  export default rules;
}
