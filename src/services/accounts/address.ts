import { settings } from "@/outside/settings";

/** The address people open Hobbin at, for links that leave it. */
export const addressOfHobbin = (): string => settings().address;
