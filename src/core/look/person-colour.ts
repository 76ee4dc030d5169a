const COLOURS = ["page", "video", "document", "picture", "sound", "note", "accent"] as const;

/**
 * The colour of a person, the same everywhere and for everybody.
 * @param id of the person; only its end says who it is, its beginning when they came
 */
export function personColour(id: string): (typeof COLOURS)[number] {
  let sum = 0;
  for (const letter of id.slice(-12)) sum = (sum * 31 + letter.charCodeAt(0)) % 65_521;
  return COLOURS[sum % COLOURS.length]!;
}
