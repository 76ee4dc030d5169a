import { placeMarks } from "@/services/marks/place";
import type { JobKind } from "./job-kind";

/** Looks where marks stand in a text that is another one. */
export const placeMarksJob: JobKind = { run: async ({ resource }) => placeMarks(String(resource)) };
