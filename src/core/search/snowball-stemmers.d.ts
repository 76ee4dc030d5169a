declare module "snowball-stemmers" {
  const stemmers: {
    newStemmer(name: string): { stem(word: string): string };
    algorithms(): string[];
  };
  export default stemmers;
}
