export * from "./people";
export * from "./catalogue";
export * from "./arranging";
export * from "./happening";
export * from "./intake";
export * from "./content";
export * from "./letters";
export * from "./finding";
