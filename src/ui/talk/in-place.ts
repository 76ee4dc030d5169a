/** The way to an item where it stands: its collection on the Bench, with the item chosen and in sight. */
export const inPlace = ({ collection, placement }: { collection: string; placement: string }): string =>
  `/bench/${collection}?item=${placement}`;
