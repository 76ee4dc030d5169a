const real = (): Date => new Date();
let read = real;

/** The time now. Everything that asks for it asks here. */
export const now = (): Date => read();

/** Whether it is another time here than in the world. */
export const isSet = (): boolean => read !== real;

/**
 * From now on it is as late as this clock says; null for the world's. The demo is made so: as if it had come about over months.
 * @param clock that never goes backwards
 */
export function setClock(clock: (() => Date) | null): void {
  read = clock ?? real;
}
