/** A way to mend a link: where its page may stand now. */
export type Way =
  /** The same title, or much the same text, elsewhere on its site. */
  | { way: "title"; address: string; title: string }
  /** As an archive of the web kept it, at a moment in the form of ISO 8601. */
  | { way: "archive"; address: string; at: string };
