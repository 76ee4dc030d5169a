/** Where a site of the stand-in web is, which the tests' set-up started. */
export const standIn = (site: string) => {
  const port = /:(\d+)/.exec(process.env.HOBBIN_FETCH_ALLOW ?? "")?.[1];
  return `http://${site}.localhost:${port}`;
};
