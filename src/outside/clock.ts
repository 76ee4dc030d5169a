/** The time now. Everything that asks for it asks here. */
export const now = (): Date => new Date();
