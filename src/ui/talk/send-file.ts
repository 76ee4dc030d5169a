import { ask, Refusal } from "./call";

type Heard = { onSent: (bytes: number) => void; onPaused?: () => void };

/**
 * Sends one file in pieces: a connection that breaks goes on where it stopped, also after the page was loaded anew and the
 * same file is chosen again.
 * @returns the id of the upload, which what is made of it is asked for by
 * @throws {Refusal} with words for the person
 */
export async function sendFile(file: File, team: string, { onSent, onPaused }: Heard): Promise<string> {
  await ask("files.begin", { team, bytes: file.size });
  const { Upload: Tus } = await import("tus-js-client");
  return new Promise((resolve, reject) => {
    const tus = new Tus(file, {
      endpoint: "/api/files",
      metadata: { filename: file.name, team },
      chunkSize: 8 * 1024 * 1024,
      retryDelays: [0, 1000, 3000, 5000, 10_000, 20_000, 20_000],
      removeFingerprintOnSuccess: true,
      onProgress: onSent,
      onShouldRetry: (error) => {
        onPaused?.();
        const status = error.originalResponse?.getStatus() ?? 0;
        return status === 0 || status >= 500 || status === 423 || status === 409;
      },
      onError: (error) => reject(new Refusal(0, sayTus(error), {})),
      onSuccess: () => resolve(tus.url!.split("/").at(-1)!),
    });
    void tus.findPreviousUploads().then((earlier) => {
      if (earlier[0]) tus.resumeFromPreviousUpload(earlier[0]);
      tus.start();
    });
  });
}

function sayTus(error: unknown): string {
  const body = (error as { originalResponse?: { getBody(): string } }).originalResponse?.getBody();
  const ours = "It did not arrive. Send it again, and it goes on where it stopped.";
  try {
    return (JSON.parse(body ?? "") as { detail?: string }).detail || ours;
  } catch {
    return ours;
  }
}
