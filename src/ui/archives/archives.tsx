"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import type { Answer } from "@/services/registry";
import { Button } from "../parts/button";
import { ask, call } from "../talk/call";
import { sayFailure } from "../talk/say-failure";
import { sendFile } from "../talk/send-file";

type Import = Answer<"archives.read">["imports"][number];
const OFTEN = 1_500;

/** Archives that come back: the file is sent, looked over, and stands there as a team. */
export function Archives({ team }: { team: string }) {
  const client = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const [sending, setSending] = useState<{ name: string; part: number } | null>(null);
  const imports = useQuery({
    queryKey: ["archives"],
    queryFn: () => ask("archives.read", {}),
    refetchInterval: ({ state }) =>
      state.data?.imports.some((one) => one.state === "running") ? OFTEN : false,
  });
  const send = async (file: File) => {
    setSending({ name: file.name, part: 0 });
    try {
      const upload = await sendFile(file, team, {
        onSent: (bytes) => setSending({ name: file.name, part: file.size ? bytes / file.size : 1 }),
      });
      await call("archives.bring-back", { upload });
      await client.invalidateQueries({ queryKey: ["archives"] });
    } catch (error) {
      sayFailure(error);
    } finally {
      setSending(null);
    }
  };
  return (
    <div className="flex flex-col gap-3">
      <input
        ref={input}
        type="file"
        accept=".zip,application/zip"
        className="sr-only"
        tabIndex={-1}
        aria-label="Archive of a team"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = "";
          if (file) void send(file);
        }}
      />
      <Button className="self-start" disabled={sending !== null} onClick={() => input.current?.click()}>
        Bring an archive back
      </Button>
      <div role="status">
        <ul className="flex flex-col">
          {sending && (
            <li className="border-b border-line py-2">
              {sending.name} is on its way: {Math.round(sending.part * 100)} %
            </li>
          )}
          {imports.data?.imports.map((one) => (
            <li key={one.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-line py-2">
              <Said one={one} />
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}

function Said({ one }: { one: Import }) {
  if (one.state === "refused")
    return (
      <>
        <span className="font-semibold">Not brought back.</span>
        <span className="text-stop">{one.problem}</span>
      </>
    );
  if (one.state === "running")
    return (
      <span>
        {one.total
          ? `Coming back: ${one.done.toLocaleString("en")} of ${one.total.toLocaleString("en")} entries`
          : "Being looked over …"}
      </span>
    );
  return (
    <>
      <a href={`/team/${one.team}`} className="font-semibold text-accent hover:underline">
        {one.name}
      </a>
      <span className="text-quiet">is back, {one.done.toLocaleString("en")} entries.</span>
    </>
  );
}
