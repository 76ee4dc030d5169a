/** Until this process is asked to end. Asked a second time, it ends at once. */
export const untilStopped = (): Promise<void> =>
  new Promise((resolve) => {
    let asked = false;
    for (const name of ["SIGTERM", "SIGINT"] as const)
      process.on(name, () => {
        if (asked) process.exit(1);
        asked = true;
        resolve();
      });
  });
