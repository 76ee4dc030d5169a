"use client";

import { useState } from "react";
import type { Answer } from "@/services/registry";
import { Spoken } from "./spoken";
import { Button } from "../parts/button";

type Resource = Answer<"resources.read">["resource"];

/** A video or sound that is played here. Another site is asked for nothing before somebody presses play. */
export function Played({ resource }: { resource: Resource }) {
  const [plays, setPlays] = useState(false);
  const { player, kind, title } = resource;
  if (!player) return null;
  const isSound = kind === "sound" || player.mime?.startsWith("audio/");
  if (player.type === "file")
    // A sound with captions is played where they are seen.
    return isSound && !resource.captionsHash ? (
      <audio controls preload="none" src={player.address} aria-label={title} className="mt-6 w-full" />
    ) : (
      <video
        controls
        preload="none"
        src={player.address}
        poster={resource.pictureHash ? `/api/pictures/${resource.pictureHash}` : undefined}
        aria-label={title}
        className="mt-6 aspect-video w-full rounded-md bg-sunk"
      >
        <Spoken {...resource} />
      </video>
    );
  if (!plays)
    return (
      <div
        className="mt-6 flex aspect-video items-end rounded-md bg-sunk bg-cover bg-center p-4"
        style={
          resource.pictureHash ? { backgroundImage: `url(/api/pictures/${resource.pictureHash})` } : undefined
        }
      >
        <Button look="accent" onClick={() => setPlays(true)}>
          {isSound ? "Listen here" : "Play here"}
        </Button>
      </div>
    );
  return (
    <iframe
      autoFocus
      src={player.address}
      title={title}
      sandbox="allow-scripts allow-same-origin allow-presentation allow-popups"
      allow="fullscreen; picture-in-picture; autoplay"
      referrerPolicy="no-referrer"
      className="mt-6 aspect-video w-full rounded-md border border-line"
    />
  );
}
