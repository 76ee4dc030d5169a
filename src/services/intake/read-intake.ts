import { eq } from "drizzle-orm";
import { collectionOf, findIntake, partsFrom } from "@/data/queries/intakes";
import { intake } from "@/data/schema";
import { reading } from "../action";
import { Id, MaybeOneOf } from "../input";
import { can } from "../policy";

const BECAME = ["made", "placed", "here", "rejected", "left"] as const;

class ReadIntake {
  @Id() intake: string;
  /** Only lines of this outcome. */
  @MaybeOneOf(BECAME) became?: (typeof BECAME)[number];
  /** Number of the part to begin with, as text or number. */
  @MaybeOneOf(Array.from({ length: 501 }, (_, i) => String(i))) from?: string;
}

const PARTS = 2;

export const readIntake = reading({
  name: "intakes.read",
  about: "One import: how far it is, and its lines with what became of each, two parts of lines at a time.",
  input: ReadIntake,
  allow: can.bring("intake"),
  run: async ({ input, tx }) => {
    const row = (await findIntake(tx, input.intake))!;
    const [{ places = [], standing = [] } = {}] = await tx
      .select({ places: intake.places, standing: intake.standing })
      .from(intake)
      .where(eq(intake.id, row.id));
    const from = Number(input.from ?? 0);
    const parts = await partsFrom(tx, row.id, from, PARTS);
    const lines = parts.flatMap((part) =>
      part.lines.map((line, i) => ({
        title: line.title || line.note.slice(0, 80),
        address: line.address,
        place: line.place === null ? null : (places[line.place]?.title ?? null),
        became: part.outcomes?.[i]?.became ?? null,
      })),
    );
    return {
      intake: row,
      opens: standing.find((one) => !one.section)?.id ?? (row.into && (await collectionOf(tx, row.into))),
      lines: input.became ? lines.filter((line) => line.became === input.became) : lines,
      next: parts.length === PARTS ? from + PARTS : null,
    };
  },
});
