import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { ask, call } from "../../talk/call";

/** What is shown of what is addressed to oneself is looked at then. @param shown the ids of comments */
export function useLookedAt(shown: readonly string[]): void {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ["notices"],
    queryFn: () => ask("notices.read", {}),
    staleTime: 10_000,
    enabled: shown.length > 0,
  });
  const here = new Set(shown);
  const comments = (data?.notices ?? [])
    .filter((one) => one.seenAt === null && here.has(one.comment))
    .map((one) => one.comment)
    .join();
  useEffect(() => {
    if (!comments) return;
    // What fails is said on the Desk: it still stands there.
    void call("notices.look", { comments: comments.split(",") }).then(
      () => {
        void client.invalidateQueries({ queryKey: ["notices"] });
        void client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[2] === "waiting" });
      },
      () => undefined,
    );
  }, [comments, client]);
}
