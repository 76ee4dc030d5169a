import type { LessonPlan } from "@/core/lesson/plan-document";
import { groupBy } from "@/core/list/group-by";
import { findCollection } from "@/data/queries/collections";
import { phasesOf } from "@/data/queries/sections";
import { reading } from "@/mechanism/action";
import { Id } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { allItems } from "../reader/published-collection";

class ReadLesson {
  @Id() collection: string;
}

export const readLesson = reading({
  name: "lessons.read",
  about:
    "The plan of a lesson for its own people: aim, time, and of each phase how long it takes, what the teacher does, what learners do, and the material.",
  input: ReadLesson,
  allow: can.seeHere("collection"),
  run: async ({ input, tx }): Promise<LessonPlan> => {
    const found = (await findCollection(tx, input.collection))!;
    const items = (await allItems(tx, found.id)).filter((item) => item.look === "item");
    const bySection = groupBy(items, (item) => item.section);
    return {
      ...{ title: found.title, aim: found.description, teamName: found.teamName, time: found.aimMinutes },
      phases: (await phasesOf(tx, found.id)).map((phase) => ({
        ...phase,
        items: (bySection.get(phase.id) ?? []).map(({ id, heading, context, forReaders, resource }) => ({
          ...{ id, title: heading || resource.title, context, forReaders },
          ...{ kind: resource.kind, minutes: resource.minutes },
        })),
      })),
    };
  },
});
