import type { NewJob } from "@/data/queries/jobs";
import { newId } from "@/outside/random";

/** The job that sends the copies of an issue; while one waits, another is the same. */
export const issueJob = (issue: string, team: string, createdAt: Date): NewJob => ({
  id: newId(),
  kind: "newsletters.deliver",
  uniqueKey: `newsletters.deliver:${issue}`,
  team,
  payload: { issue },
  createdAt,
});
