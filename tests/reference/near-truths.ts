/**
 * Made-up public collections of which it is known what each is about: 150 of 15 subjects, ten of each, with titles, context
 * lines, pages and tags. A sixteenth of the words of each, a quarter of its pages and one of its five tags are of its subject;
 * the rest is of everybody.
 */
const [SUBJECTS, EACH] = [15, 10];

export type Truth = {
  id: string;
  subject: number;
  title: string;
  description: string;
  tags: string[];
  items: { address: string; title: string; context: string }[];
};

/** Words nobody has elsewhere, with vowels, so that none is a stem or a beginning of another. */
const word = (kind: string, n: number): string => {
  const letters = "bdfgklmnprtv";
  const [a, b, c] = [n % 12, Math.floor(n / 12) % 12, Math.floor(n / 144) % 12];
  return `${kind}${letters[a]}u${letters[b]}a${letters[c]}o`;
};

function make(): Truth[] {
  // A generator of numbers that gives the same ones everywhere (Numerical Recipes, 7.1).
  let state = 11;
  const roll = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  const pick = (most: number, often = 1) => Math.floor(most * roll() ** often);
  return Array.from({ length: SUBJECTS * EACH }, (_, i) => {
    const subject = i % SUBJECTS;
    const words = (many: number, own: number) =>
      Array.from({ length: many }, () =>
        roll() < own ? word("se", subject * 40 + pick(40)) : word("x", pick(600, 2)),
      ).join(" ");
    return {
      ...{ id: `c${String(i).padStart(3, "0")}`, subject },
      ...{ title: words(4, 1 / 16), description: words(20, 1 / 16) },
      tags: [
        ...Array.from({ length: 1 }, () => word("ta", subject * 6 + pick(6))),
        ...Array.from({ length: 4 }, () => word("te", pick(30, 2))),
      ],
      items: Array.from({ length: 20 }, (__, n) => ({
        address:
          n < 8 ? `https://of-${subject}.example/${pick(60)}` : `https://everybody.example/${pick(400, 3)}`,
        title: words(5, 1 / 16),
        context: words(8, 1 / 16),
      })),
    };
  });
}

export const TRUTHS: readonly Truth[] = make();

/** All words of one, as another program is given them. */
export const textOf = ({ title, description, tags, items }: Truth): string =>
  [title, description, ...tags, ...items.flatMap((item) => [item.title, item.context])].join(" ");
