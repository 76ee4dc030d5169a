/** What stands in place of a team in the index of words for what is public in all of them; no team has this id. */
export const PUBLIC = "00000000-0000-0000-0000-000000000000";
