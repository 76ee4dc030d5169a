import { IsInt, Max, Min } from "class-validator";
import { ALL_FORMATS } from "@/core/formats/offered";
import type { StyleId } from "@/core/cite/styles";
import { addOrder, ordersRunning } from "@/data/queries/ordered-files";
import { action } from "@/mechanism/action";
import { Id, MaybeId, MaybeOneOf, MaybeStyle, MaybeText, OneOf, Optional } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { newId } from "@/outside/random";

/** One person does no more at once. */
const MOST = 3;
const DAY = 86_400_000;

class OrderFile {
  @Id() collection: string;
  @OneOf(ALL_FORMATS) format: string;
  /** Only these items, by their ids with commas between; about 10,000. */
  @MaybeText(400_000) placements?: string;
  /** The style of a bibliography that goes along. */
  @MaybeStyle() style?: StyleId;
  @MaybeOneOf(["a4", "letter"]) paper?: "a4" | "letter";
  @MaybeOneOf(["team", "plain"]) look?: "team" | "plain";
  /** Of the folder and the book: every reading copy goes along. */
  @MaybeOneOf(["all"]) copies?: "all";
  /** Of the folder: as it stood in the edition with this number. */
  @Optional() @IsInt() @Min(1) @Max(1_000_000) edition?: number;
  /** The id it shall have. */
  @MaybeId() order?: string;
}

export const orderFile = action({
  name: "export.order",
  about:
    "Has a file of a collection made that takes long; how far it is says export.orders, and /api/exports/<order> gives it, for a day, to whoever ordered it. An id sent twice orders one.",
  input: OrderFile,
  allow: can.seeHere("collection"),
  locks: null,
  history: null,
  run: async ({ input, scope, tx, at, enqueue }) => {
    const person = scope.person!;
    const { order, ...asked } = input;
    if ((await ordersRunning(tx, person)) >= MOST) throw new Problem("too-many-orders");
    const id = order ?? newId();
    const until = new Date(at.getTime() + DAY);
    await addOrder(tx, {
      ...{ id, team: scope.team!, person, collection: input.collection, asked: { ...asked } },
      ...{ state: "running", step: "reading", createdAt: at, until },
    });
    enqueue({
      ...{ kind: "exports.make", uniqueKey: `export ${id}`, team: scope.team!, payload: { order: id } },
      ...{ id: newId(), priority: 1, runAt: at, createdAt: at },
    });
    return { order: id, until };
  },
});
