/** A mark of one person alone is heard of by nobody else. */
export const entityOfMark = (row: { private: boolean }) =>
  (row.private ? "ownMark" : "mark") as "mark" | "ownMark";
