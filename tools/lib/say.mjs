/** Tells why it cannot go on, in one clear sentence, and ends. */
export class Stop extends Error {}

export const say = (text) => process.stdout.write(`${text}\n`);
