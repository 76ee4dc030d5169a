/** Whether an invitation is for whoever has this mail address: one without an address is for everybody. */
export const isFor = ({ address }: { address: string | null }, email: string): boolean =>
  address === null || address.toLowerCase() === email.toLowerCase();
