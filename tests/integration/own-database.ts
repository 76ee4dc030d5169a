/** Two files that run beside each other do not meet: each worker has a database and a folder for files of its own. */
const { VITEST_POOL_ID: worker, HOBBIN_DATABASE_URL: url, HOBBIN_FILES: files } = process.env;
if (worker && url && !process.env.HOBBIN_OWN_DATABASE) {
  process.env.HOBBIN_OWN_DATABASE = worker;
  process.env.HOBBIN_DATABASE_URL = databaseOfWorker(url, Number(worker));
  process.env.HOBBIN_FILES = `${files}-${worker}`;
}

/** @returns the address of a worker's database, by that of the one it is a copy of */
export function databaseOfWorker(url: string, worker: number): string {
  return url.replace(/\/(\w+)$/, (_, name) => `/${name}_${worker}`);
}
