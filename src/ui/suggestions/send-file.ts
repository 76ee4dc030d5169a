import { Refusal } from "../talk/call";

/**
 * Sends a file to a page for suggestions.
 * @returns what `suggestions.offer` takes for it
 * @throws {Refusal} with words for the person; `status` 0 when the server could not be reached
 */
export async function sendFile(page: string, file: File): Promise<string> {
  const answer = await fetch(`/s/${page}/file?name=${encodeURIComponent(file.name)}`, {
    method: "POST",
    body: file,
  }).catch(() => {
    throw new Refusal(0, "Hobbin cannot be reached just now. Try again in a moment.", {});
  });
  const said = (await answer.json().catch(() => ({}))) as { file?: string; detail?: string; title?: string };
  if (said.file) return said.file;
  throw new Refusal(answer.status, said.detail ?? said.title ?? "This file could not be sent.", {});
}
