import Papa from "papaparse";
import { type Flow, flowRows } from "./flow";

/** The numbers of a review as a table of text (RFC 4180); no reason for leaving something out is taken for a formula. */
export const flowCsv = (flow: Flow): string =>
  `\uFEFF${Papa.unparse([["Stage", "What", "n"], ...flowRows(flow)], { newline: "\r\n", escapeFormulae: true })}\r\n`;
