"use client";

import type { Answer } from "@/services/registry";
import { Link } from "../../parts/link";
import { inPlace } from "../../talk/in-place";

/** The places where a thing stands, with the words it has there; each leads to it. */
export function Elsewhere({
  places,
  title = "Also in",
}: {
  places: Answer<"resources.read">["places"];
  title?: string;
}) {
  return (
    <div className="text-[15px]">
      <h3 className="text-sm font-semibold">{title}</h3>
      <ul>
        {places.map((place) => (
          <li key={place.placement} className="border-b border-line py-1.5 last:border-b-0">
            <Link href={inPlace(place)} className="text-accent underline">
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
