/** Where the original of a resource opens: its address, or, for files and notes, its own page here. */
export const originalOf = (resource: { id: string; address: string }): string =>
  resource.address || `/read/${resource.id}`;
