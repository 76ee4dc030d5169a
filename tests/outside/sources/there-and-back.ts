import { mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { writeBookmarks } from "@/core/formats/bookmarks-write";
import { writeCsv } from "@/core/formats/csv-write";
import { writeReferences } from "@/core/formats/references-write";
import { writeXlsx } from "@/core/formats/xlsx-write";
import { COURSE } from "./course";
import { WORKS } from "./works";

/** Writes what programs of others take in and give out again, into a folder. */
const [folder = "."] = process.argv.slice(2);
mkdirSync(folder, { recursive: true });
const put = (name: string, content: string | Uint8Array) => writeFileSync(path.join(folder, name), content);
put("bookmarks.html", writeBookmarks(COURSE));
put("table.csv", writeCsv(COURSE));
put("book.xlsx", writeXlsx(COURSE));
put("works.bib", writeReferences(WORKS, "bibtex"));
put("works.json", writeReferences(WORKS, "csl-json"));
