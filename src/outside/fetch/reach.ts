import { leadsOut } from "@/core/publish/look-over";
import { settings } from "../settings";
import { allowedOrigin, isPublicAddress } from "./guard";

/** Whether somebody outside can open an address, as far as it shows by itself; the stand-in's small web counts as outside. */
export const isWithinReach = (address: string): boolean =>
  leadsOut(address, isPublicAddress) ||
  (URL.canParse(address) && allowedOrigin(new URL(address), settings().fetchAllow));
