import { type SQL, sql } from "drizzle-orm";
import { placement, resource } from "../schema";

/** How many minutes of a thing are meant where it stands: `minutesOfClip` (core/publish/clip) for the database. */
export const minutesHere: SQL<number | null> = sql`CASE
  WHEN ${placement.clipTo} IS NOT NULL THEN GREATEST(1, ROUND((${placement.clipTo} - COALESCE(${placement.clipFrom}, 0)) / 60))
  WHEN ${placement.clipFrom} IS NOT NULL AND ${resource.seconds} IS NOT NULL
    THEN GREATEST(1, ROUND((${resource.seconds} - ${placement.clipFrom}) / 60))
  ELSE ${resource.minutes} END`;
