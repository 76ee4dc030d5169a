/**
 * What became of a load, as rows of docs/faults.md: what, measured, aim.
 * @param {{ acknowledged: number, lost: string[], doubled: string[], wrong: string[], errors: string[], calls: number, again: number }} result
 */
export const outcomeRows = ({ acknowledged, lost, doubled, wrong, errors, calls, again }) => [
  ["acknowledged (items, context lines, tags)", acknowledged, ""],
  ["lost", lost.length, "0"],
  ["doubled", doubled.length, "0"],
  ["wrong (keys of the order, counts, index, search)", wrong.length, "0"],
  ["errors a person saw, who waits ten seconds", errors.length, "0"],
  ["calls; of them asked again by the program", `${calls}; ${again}`, ""],
];

/** Rows of how long somebody waited for an answer, by what was killed. @param aim in words, or nothing */
export const waitRows = (longest, aim = "") =>
  Object.entries(longest).map(([what, ms]) => [
    `longest wait for an answer, ${what} killed`,
    `${(ms / 1000).toFixed(1)} s`,
    aim,
  ]);

/** What went wrong, each in a line; nothing when all is well. */
export const faultsOf = ({ lost, doubled, wrong, errors }) => [...lost, ...doubled, ...wrong, ...errors];
