import { setComfort } from "./comfort";
import { notePlace } from "./place";
import { readReading } from "./read";

/** What people can do, by name. */
export const actions = {
  "reading.comfort": setComfort,
  "reading.place": notePlace,
  "reading.read": readReading,
};
