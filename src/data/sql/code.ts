/**
 * What a column of codes is asked for. Codes have no letters beyond ASCII, and the database refuses to compare such a
 * column with others; what has some is no code there is.
 */
export const code = (text: string): string => (/^[\x20-\x7e]*$/.test(text) ? text : "");
