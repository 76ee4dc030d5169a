/** Next calls this once in every server process, before the first request. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { startProcess, sayWhyNot } = await import("@/jobs/start");
  try {
    await startProcess({ withWorker: process.env.HOBBIN_WORKER !== "off" });
  } catch (error) {
    process.stderr.write(`${sayWhyNot(error)}\n`);
    process.exit(1);
  }
}
