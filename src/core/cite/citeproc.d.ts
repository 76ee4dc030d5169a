declare module "citeproc" {
  type System = {
    retrieveLocale: (language: string) => string;
    retrieveItem: (id: string) => Record<string, unknown>;
  };
  type Bibliography = [
    parameters: { entry_ids: string[][]; bibliography_errors: unknown[] },
    entries: string[],
  ];
  type Engine = {
    setOutputFormat(format: "html" | "text" | "rtf"): void;
    updateItems(ids: readonly string[]): void;
    makeBibliography(): Bibliography | false;
    previewCitationCluster(
      citation: {
        citationItems: readonly { id: string; locator?: string; label?: string }[];
        properties: { noteIndex: number };
      },
      before: readonly [],
      after: readonly [],
      format: "html",
    ): string;
    opt: { development_extensions: Record<string, boolean> };
  };
  const CSL: {
    Engine: new (system: System, style: string, language: string, forceLanguage?: boolean) => Engine;
  };
  export default CSL;
}
