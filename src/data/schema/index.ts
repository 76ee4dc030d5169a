export * from "./people";
export * from "./catalogue";
export * from "./arranging";
export * from "./happening";
export * from "./imports";
export * from "./content";
export * from "./messages";
export * from "./finding";
