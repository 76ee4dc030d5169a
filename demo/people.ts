/** The people of the demo; all invented, all with the same password. */
export const PASSWORD = "lantern-moss";
export const PEOPLE = {
  ama: { name: "Ama Okeri", email: "ama@lantern.example" },
  rhea: { name: "Rhea Tammik", email: "rhea@lantern.example" },
  ines: { name: "Ines Vaalu", email: "ines@lantern.example" },
  jonas: { name: "Jonas Petrik", email: "jonas@lantern.example" },
  bett: { name: "Bettany Quayle", email: "bett@lantern.example" },
} as const;
export type Who = keyof typeof PEOPLE;

export const TEAMS = [
  {
    name: "Lantern Moss",
    owner: "ama",
    members: { rhea: "editor", ines: "editor", jonas: "contributor", bett: "viewer" },
  },
  { name: "Rewetting review", owner: "jonas", members: { bett: "editor", ama: "viewer" } },
  { name: "Year 10, science", owner: "ama", members: { rhea: "editor", ines: "viewer" } },
] as const;
