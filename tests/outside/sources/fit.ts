import { writeFileSync } from "node:fs";
import path from "node:path";
import { programOf, writeLp } from "@/core/fit/program";
import { fitCases } from "./fit-cases";

/** Writes each case as an LP file into the folder that is named. */
fitCases().forEach(({ candidates, wishes }, i) =>
  writeFileSync(path.join(process.argv[2]!, `${i}.lp`), writeLp(programOf(candidates, wishes))),
);
