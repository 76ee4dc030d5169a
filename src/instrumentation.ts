/** Next calls this once in every server process, before the first request. */
export async function register() {
  if (process.env.NEXT_RUNTIME === "nodejs") await (await import("@/jobs/boot")).boot();
}
