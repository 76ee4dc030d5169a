"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { Link } from "../../parts/link";
import { setTray } from "../../tray/tray-acts";
import { Button } from "../../parts/button";
import { KindMark } from "../../parts/kind";
import { placeResources } from "../../shell/place-resources";
import { useBench } from "../state/bench-context";
import { ask } from "../../talk/call";

/** What of one's own Tray is still to be used in the open collection; it stands there as a ghost until it is placed. */
export function Ghosts({ title }: { title: string }) {
  const { team, collection, brings } = useBench();
  const client = useQueryClient();
  const router = useRouter();
  const { data } = useQuery({
    queryKey: ["tray", team],
    queryFn: () => ask("tray.read", { team }),
  });
  const again = () => void client.invalidateQueries({ queryKey: ["tray", team] });
  const here = data?.entries.filter((one) => one.forCollection === collection) ?? [];
  if (!here.length) return null;
  return (
    <section
      aria-label="Still to use here"
      className="max-h-40 shrink-0 overflow-y-auto border-t border-line"
    >
      <h2 className="px-4 pt-2 text-sm text-quiet">Still to use here; only you see it</h2>
      <ul>
        {here.map(({ resource, forWords }) => (
          <li
            key={resource.id}
            className="mx-4 my-1.5 flex items-center gap-2 rounded-md border border-dashed border-edge px-2 py-1"
          >
            <KindMark kind={resource.kind} />
            <Link
              href={`/read/${resource.id}`}
              className="min-w-0 flex-1 truncate text-[15px] text-quiet italic hover:text-ink hover:underline"
            >
              {resource.title}
              {forWords && `, ${forWords}`}
            </Link>
            {brings && (
              <Button
                small
                onClick={() =>
                  placeResources({
                    team,
                    resources: [resource.id],
                    to: { collection, title },
                    done: again,
                    go: (path) => router.push(path),
                  })
                }
              >
                Place<span className="sr-only"> {resource.title}</span>
              </Button>
            )}
            <Button small look="quiet" onClick={() => setTray(team, [resource], "away", again)}>
              Put away<span className="sr-only"> {resource.title}</span>
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
