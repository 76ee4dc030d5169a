export * from "./people";
export * from "./catalogue";
export * from "./arranging";
export * from "./happening";
export * from "./intake";
