"use client";

import { useQuery } from "@tanstack/react-query";
import { DOCUMENTS, REFERENCES, TEXTS } from "@/core/formats/offered";
import { saySize } from "@/core/list/say-size";
import type { Answer } from "@/services/registry";
import { Progress } from "../parts/progress";
import { ask } from "../talk/call";

type Order = Answer<"export.orders">["orders"][number];
const OFTEN = 1_000;

const NAMES = new Map([...DOCUMENTS, ...TEXTS, ...REFERENCES].map((one) => [one.format, one.name]));
const STEPS = {
  reading: "The collection is being read",
  pictures: "Its pictures are being made ready",
  setting: "It is being set",
  packing: "It is being packed",
} as const;

/** What one has ordered of a collection, and how many items it has. */
export const useOrders = (collection: string) =>
  useQuery({
    queryKey: ["orders", collection],
    queryFn: () => ask("export.orders", { collection }),
    refetchInterval: ({ state }) =>
      state.data?.orders.some((one) => one.state === "running") ? OFTEN : false,
  });

/** Files that were ordered: how far each is, and the way to it once it is ready. */
export function Orders({ orders }: { orders: readonly Order[] }) {
  // It is there before anything is in it, so that what comes is heard.
  if (!orders.length) return <div role="status" />;
  return (
    <section aria-label="Files being made" className="rounded-md border border-line px-4 py-2">
      <div role="status">
        <ul className="divide-y divide-line">
          {orders.map((one) => (
            <li key={one.id} className="flex flex-col gap-1.5 py-2">
              <Said one={one} />
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}

function Said({ one }: { one: Order }) {
  const name = NAMES.get(one.format) ?? one.format;
  if (one.state === "ready")
    return (
      <p>
        <a href={`/api/exports/${one.id}`} download className="font-semibold text-accent hover:underline">
          {one.name}
        </a>{" "}
        <span className="text-quiet">is ready, {saySize(one.bytes ?? 0)}. It stays for a day.</span>
      </p>
    );
  if (one.state === "failed")
    return (
      <p>
        <span className="font-semibold">{name}</span> <span className="text-stop">{one.problem}</span>
      </p>
    );
  const words = `${STEPS[one.step]}${one.total ? `, ${one.done.toLocaleString("en")} of ${one.total.toLocaleString("en")}` : ""} …`;
  return (
    <>
      <p className="font-semibold">{name}</p>
      {one.total > 0 ? (
        <Progress done={one.done} of={one.total} words={words} />
      ) : (
        <p className="text-sm text-quiet">{words}</p>
      )}
    </>
  );
}
