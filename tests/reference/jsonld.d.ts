/** What is used here of a package without types. */
declare module "jsonld" {
  type Options = {
    documentLoader: (
      url: string,
    ) => Promise<{ contextUrl: undefined; documentUrl: string; document: object }>;
    /** What would be dropped is an error. */
    safe?: boolean;
  };
  const processor: {
    toRDF(document: object, options: Options & { format: "application/n-quads" }): Promise<string>;
    expand(document: object, options: Options): Promise<object[]>;
  };
  export default processor;
}
