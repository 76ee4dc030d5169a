import { writeFileSync } from "node:fs";
import { cslItem } from "@/core/cite/csl-item";
import { WORKS } from "./works";

/** Writes the works as CSL-JSON into the file that is named. */
writeFileSync(process.argv[2]!, JSON.stringify(WORKS.map((one) => ({ ...cslItem(one), id: one.id }))));
