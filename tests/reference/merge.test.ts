import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { expect, test } from "vitest";
import { mergeParts } from "@/core/merge/three-way";

/** What GNU diff3 (diffutils, in every Debian) makes of three lists, a part a line; null where it sees a conflict. */
function byDiff3(folder: string, base: string[], theirs: string[], mine: string[]): string[] | null {
  const files = Object.entries({ mine, base, theirs }).map(([name, parts]) => {
    const path = join(folder, name);
    writeFileSync(path, parts.map((part) => `${part}\n`).join(""));
    return path;
  });
  const said = spawnSync("diff3", ["--merge", "--show-overlap", ...files], { encoding: "utf8" });
  if (said.status === 1) return null;
  if (said.status !== 0) throw new Error(said.stderr || String(said.error));
  return said.stdout.split("\n").slice(0, -1);
}

/** A base and two versions of it, in each of which up to three words are other, gone or new. */
const versions = fc
  .record({
    base: fc.array(fc.constantFrom(..."abcdefghijkl"), { minLength: 6, maxLength: 30 }),
    edits: fc.array(
      fc.array(fc.tuple(fc.nat(), fc.constantFrom("", "x", "y", "+")), { minLength: 1, maxLength: 3 }),
      { minLength: 2, maxLength: 2 },
    ),
  })
  .map(({ base, edits }) => [
    base,
    ...edits.map((all) =>
      all.reduce((parts, [at, word]) => {
        const i = at % (parts.length + 1);
        const put = word === "+" ? ["new", ...parts.slice(i, i + 1)] : word ? [word] : [];
        return [...parts.slice(0, i), ...put, ...parts.slice(i + 1)];
      }, base),
    ),
  ]);

test("a merge is GNU diff3's: the same text where both merge, and a conflict where it sees one", () => {
  const folder = mkdtempSync(join(tmpdir(), "hobbin-refs-"));
  let apart = 0;
  for (const [base, theirs, mine] of fc.sample(versions, { numRuns: 120, seed: 7 }) as string[][][]) {
    const wanted = byDiff3(folder, base!, theirs!, mine!);
    const ours = mergeParts(base!, theirs!, mine!);
    if (wanted && ours) expect(ours).toEqual(wanted);
    else if (wanted || ours) apart++;
  }
  rmSync(folder, { recursive: true });
  // Where a word stands twice, which of them went is open; the two see it differently once or twice in 200.
  expect(apart).toBeLessThanOrEqual(2);
});
