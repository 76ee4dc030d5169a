import type { NewJob } from "@/data/queries/jobs";
import { newId } from "@/outside/random";
import { seal } from "@/outside/seal";

/** The job that sends a letter; what is in it is sealed as long as it waits. */
export const letterJob = (to: string, subject: string, text: string, createdAt: Date): NewJob => ({
  ...{ id: newId(), kind: "messages.send", createdAt },
  payload: { letter: seal(JSON.stringify({ to, subject, text })) },
});
