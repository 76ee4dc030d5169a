import { Parser } from "htmlparser2";

/** A stretch of a reference in one face; `address`: it leads there. */
export type Run = {
  text: string;
  italic?: true;
  bold?: true;
  small?: true;
  raised?: true;
  address?: string;
};

const ADDRESS = /https?:\/\/[^\s<>"]+[^\s<>".,;:!?)\]]/g;

/**
 * A reference as citeproc writes it, as runs of text: its HTML is taken apart, and nothing of it but italics, bold, small
 * capitals and raised letters is believed; addresses are found in the text again, because what citeproc makes of them is not
 * escaped.
 * @param html one entry of a bibliography
 * @returns the label it has in the margin, or empty, and the reference
 */
export function runsOf(html: string): { label: string; runs: Run[] } {
  const parts = { label: [] as Run[], text: [] as Run[] };
  const open: { name: string; style: string }[] = [];
  const add = (text: string) => {
    const inMargin = open.some((one) => /csl-left-margin/.test(one.style));
    const has = (test: (one: (typeof open)[number]) => boolean) => open.some(test) || undefined;
    const run: Run = {
      text,
      ...(has((one) => one.name === "i" || one.name === "em") && { italic: true }),
      ...(has((one) => one.name === "b" || one.name === "strong") && { bold: true }),
      ...(has((one) => /small-caps/.test(one.style)) && { small: true }),
      ...(has((one) => one.name === "sup") && { raised: true }),
    };
    parts[inMargin ? "label" : "text"].push(run);
  };
  const parser = new Parser(
    {
      onopentag: (name, { class: role = "", style = "" }) =>
        void open.push({ name, style: `${role} ${style}` }),
      onclosetag: () => void open.pop(),
      ontext: (text) => add(text.replace(/\s+/g, " ")),
    },
    { decodeEntities: true },
  );
  parser.end(html);
  return {
    label: parts.label
      .map((one) => one.text)
      .join("")
      .trim(),
    runs: trimmed(parts.text).flatMap(linked),
  };
}

/** Without blanks at the ends, and with runs of the same face joined. */
function trimmed(runs: readonly Run[]): Run[] {
  const joined: Run[] = [];
  for (const run of runs) {
    const last = joined.at(-1);
    const face = ({ text: _, ...rest }: Run) => JSON.stringify(rest);
    if (last && face(last) === face(run)) last.text += run.text;
    else joined.push({ ...run });
  }
  if (joined.length) {
    joined[0]!.text = joined[0]!.text.trimStart();
    joined.at(-1)!.text = joined.at(-1)!.text.trimEnd();
  }
  return joined.filter((run) => run.text);
}

/** A run with the addresses in it as runs of their own. */
function linked(run: Run): Run[] {
  const runs: Run[] = [];
  let from = 0;
  for (const { index, 0: address } of run.text.matchAll(ADDRESS)) {
    if (index > from) runs.push({ ...run, text: run.text.slice(from, index) });
    if (URL.canParse(address)) runs.push({ ...run, text: address, address });
    else runs.push({ ...run, text: address });
    from = index + address.length;
  }
  if (from < run.text.length) runs.push({ ...run, text: run.text.slice(from) });
  return runs;
}

/** The words of a reference alone. */
export const plainRuns = (runs: readonly Run[]): string => runs.map((run) => run.text).join("");
