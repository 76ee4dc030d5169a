declare module "csl-validator-wasm" {
  /** @returns what is wrong, a line each; empty: nothing */
  export function validateStyle(xml: string): Promise<string>;
}
