declare module "@citation-js/core" {
  export const plugins: {
    input: { chain(data: unknown, options: { forceType?: string; generateGraph?: boolean }): unknown };
    config: { get(name: "@bibtex"): { format: { useIdAsLabel: boolean; asciiOnly: boolean } } };
    output: { format(name: string, data: unknown, options?: Record<string, unknown>): unknown };
  };
}
declare module "@citation-js/plugin-bibtex";
declare module "@citation-js/plugin-ris";
