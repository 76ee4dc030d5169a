import { writeFileSync } from "node:fs";
import { textOf, TRUTHS } from "../../reference/near-truths";

/** Writes the words of made-up collections, by their ids, into the file that is named. */
writeFileSync(process.argv[2]!, JSON.stringify(TRUTHS.map((one) => [one.id, textOf(one)])));
