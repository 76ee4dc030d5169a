import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { ask, call } from "./call";

type Shown = {
  /** What was said, by the ids of comments. */
  comments?: readonly string[];
  /** What is about these: an item, a collection things are suggested for, a handout. */
  subject?: string;
};

/** What is shown of what is addressed to oneself is looked at then. */
export function useLookedAt({ comments = [], subject }: Shown): void {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["notices"],
    queryFn: () => ask("notices.read", {}),
    staleTime: 10_000,
    enabled: comments.length > 0 || subject !== undefined,
  });
  const here = new Set(comments);
  const said = (data?.notices ?? [])
    .flatMap((one) => (one.seenAt === null && one.comment && here.has(one.comment) ? [one.comment] : []))
    .join();
  const isNew =
    subject !== undefined &&
    ((data?.notices ?? []).some((one) => one.seenAt === null && one.subject === subject) ||
      (data?.asked ?? []).some((one) => one.seenAt === null && one.placement === subject));
  useEffect(() => {
    if (!said && !isNew) return;
    const looked = said ? { comments: said.split(",") } : { subjects: [subject!] };
    // What fails is said on the Desk: it still stands there.
    void call("notices.look", looked).then(
      () => {
        void client.invalidateQueries({ queryKey: ["notices"] });
        void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[2] === "waiting" });
      },
      () => undefined,
    );
  }, [said, isNew, subject, client]);
}
