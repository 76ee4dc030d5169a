"use client";

import Link from "next/link";
import type { Answer } from "@/services/registry";

/** Where else the same thing stands, with the words it has there. */
export function Elsewhere({ places }: { places: Answer<"resources.read">["places"] }) {
  return (
    <div className="text-[15px]">
      <h3 className="text-sm font-semibold">Also in</h3>
      <ul>
        {places.map((place) => (
          <li key={place.placement} className="border-b border-line py-1.5 last:border-b-0">
            <Link href={`/bench/${place.collection}`} className="text-accent underline">
              {place.title}
            </Link>
            {place.section && <span className="text-sm text-quiet"> · {place.section}</span>}
            {place.heading && <span className="block font-semibold">{place.heading}</span>}
            {place.context ? (
              <span className="block font-serif whitespace-pre-line">{place.context}</span>
            ) : (
              !place.heading && (
                <span className="block text-sm text-quiet">without words of its own there</span>
              )
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
