"use client";

import { Camera, Mic, Square } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { tagNames } from "@/core/tags/tag-name";
import type { Answer } from "@/services/registry";
import { Button, buttonLook } from "../parts/button";
import { Area, Choice, Field } from "../parts/field";
import { Link } from "../parts/link";
import { flattenTree } from "../parts/tree-picker";
import { Refusal } from "../talk/call";
import { newId } from "../talk/ids";
import { keep, send, type Sent, sendWaiting, type Waiting, waiting } from "./waiting";

type Tree = Answer<"collections.tree">["collections"];
type Props = { teams: { id: string; name: string; tree: Tree }[]; url: string; title: string; text: string };

const LAST = "hobbin.last-place";

/** One thing brought in from a phone, a bookmark or another program; without a connection it waits on the device. */
export function BringPage({ teams, url, title: firstTitle, text: firstText }: Props) {
  // Some programs put the address into the text they share.
  const shared = url || (/https?:\/\/\S+/.exec(firstText)?.[0] ?? "");
  const [address, setAddress] = useState(shared);
  const [title, setTitle] = useState(firstTitle);
  const [text, setText] = useState(shared && !url ? firstText.replace(shared, "").trim() : firstText);
  const [tags, setTags] = useState("");
  const [place, setPlace] = useState(`${teams[0]?.id ?? ""} `);
  const [file, setFile] = useState<Waiting["file"]>();
  const [error, setError] = useState("");
  /** What became of the last one; "kept": it waits on this device. */
  const [sent, setSent] = useState<Sent | "kept" | null>(null);
  const [left, setLeft] = useState(0);
  useEffect(() => {
    const send = () =>
      void sendWaiting()
        .then(setLeft)
        .catch(() => undefined);
    const timer = setTimeout(() => {
      const last = localStorage.getItem(LAST);
      if (last && last.split(" ")[0] && teams.some((team) => team.id === last.split(" ")[0])) setPlace(last);
      void takeShared().then((found) => found && setFile(found));
      void waiting().then((all) => setLeft(all.length));
      send();
    }, 0);
    window.addEventListener("online", send);
    void navigator.serviceWorker?.register("/worker.js").catch(() => undefined);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("online", send);
    };
  }, [teams]);

  const options = teams.flatMap((team) => [
    [`${team.id} `, `Tray of ${team.name}`] as const,
    ...flattenTree(team.tree).map(
      (one) => [`${team.id} ${one.id}`, `${"\u00a0\u00a0".repeat(one.depth + 1)}${one.title}`] as const,
    ),
  ]);
  const bring = async () => {
    setError("");
    setSent(null);
    if (!address && !text.trim() && !file)
      return setError("Give an address, some text, a photo or a voice note.");
    const [team, collection] = place.split(" ") as [string, string];
    localStorage.setItem(LAST, place);
    const one: Waiting = {
      id: newId(),
      team,
      ...(collection && { collection }),
      address,
      title,
      text: text.trim(),
      tags: tagNames(tags),
      ...(file && { file }),
    };
    try {
      setSent(await send(one));
    } catch (failure) {
      if (failure instanceof Refusal && failure.status !== 0 && failure.status < 500)
        return setError(Object.values(failure.fields)[0] ?? failure.detail);
      await keep(one);
      setLeft((await waiting()).length);
      setSent("kept");
    }
    // What was begun meanwhile is the next one.
    setAddress((now) => (now === address ? "" : now));
    setTitle((now) => (now === title ? "" : now));
    setText((now) => (now === text ? "" : now));
    setFile((now) => (now === file ? undefined : now));
  };
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-lg flex-col gap-4 bg-sheet px-4 py-5">
      <div className="flex items-baseline justify-between gap-3">
        <h1 className="font-serif text-2xl font-semibold">Bring in</h1>
        <Link href="/" className="py-1 text-[15px] text-accent hover:underline">
          To the Desk
        </Link>
      </div>
      {left > 0 && (
        <p role="status" className="rounded-md bg-warn-wash p-3 text-[15px]">
          {left === 1 ? "One thing waits" : `${left} things wait`} on this device for a connection.
        </p>
      )}
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void bring();
        }}
      >
        {!file && (
          <Field
            label="Web address"
            type="url"
            inputMode="url"
            value={address}
            onChange={(event) => setAddress(event.target.value)}
          />
        )}
        {(file || title) && (
          <Field label="Title" value={title} onChange={(event) => setTitle(event.target.value)} />
        )}
        {file ? (
          <p className="flex items-center gap-3 rounded-md bg-wash p-3 text-[15px]">
            <span className="min-w-0 flex-1 truncate">{file.name}</span>
            <Button small look="quiet" onClick={() => setFile(undefined)}>
              Take off
            </Button>
          </p>
        ) : (
          <Area
            label={address ? "Passage or note" : "Note"}
            rows={3}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        )}
        <div className="flex flex-wrap gap-3">
          <label className={`${buttonLook("line")} cursor-pointer focus-within:outline-2`}>
            <Camera size={18} aria-hidden /> Photo or file
            <input
              type="file"
              accept="image/*,audio/*,video/*,application/pdf"
              className="sr-only"
              onChange={(event) => {
                const chosen = event.target.files?.[0];
                if (chosen) setFile({ name: chosen.name, content: chosen });
                // The same one again is to be heard of, too.
                event.target.value = "";
              }}
            />
          </label>
          <VoiceNote
            onDone={(content) =>
              setFile({
                name: `Voice note ${new Date().toISOString().slice(0, 16).replace("T", " ").replace(":", ".")}.webm`,
                content,
              })
            }
            onError={setError}
          />
        </div>
        <Choice
          label="Goes to"
          options={options}
          value={place}
          onChange={(event) => setPlace(event.target.value)}
        />
        <Field
          label="Tags"
          placeholder="Separated by commas"
          value={tags}
          onChange={(event) => setTags(event.target.value)}
        />
        {error && (
          <p role="alert" className="text-stop">
            {error}
          </p>
        )}
        <p role="status" className="empty:-mt-4">
          {sent === "kept"
            ? "No connection. It is stored on this device and sent as soon as there is one."
            : sent && <Became sent={sent} />}
        </p>
        <Button look="accent" type="submit">
          Save
        </Button>
      </form>
    </main>
  );
}

/** That it is saved, where it was before, and the way to it. */
function Became({ sent: { resource, already, places } }: { sent: Sent }) {
  const titles = [...new Set(places.map((place) => place.title))];
  const where = titles.length ? `, in ${titles.slice(0, 3).join(", ")}${titles.length > 3 ? " …" : ""}` : "";
  return (
    <>
      Saved.{already && ` It was in the catalogue already${where}.`}{" "}
      <Link href={`/read/${resource.id}`} className="text-accent underline">
        Look at it
      </Link>
    </>
  );
}

/** Records what is said, until it is pressed again. */
function VoiceNote({
  onDone,
  onError,
}: {
  onDone: (content: Blob) => void;
  onError: (words: string) => void;
}) {
  const recorder = useRef<MediaRecorder | null>(null);
  const [since, setSince] = useState<number | null>(null);
  const start = async () => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const parts: Blob[] = [];
      const media = new MediaRecorder(stream);
      media.ondataavailable = (event) => parts.push(event.data);
      media.onstop = () => {
        stream.getTracks().forEach((track) => track.stop());
        setSince(null);
        onDone(new Blob(parts, { type: media.mimeType }));
      };
      media.start();
      recorder.current = media;
      setSince(Date.now());
    } catch {
      onError("The microphone cannot be used here. The browser may ask for permission.");
    }
  };
  return since === null ? (
    <Button onClick={() => void start()}>
      <Mic size={18} aria-hidden /> Voice note
    </Button>
  ) : (
    <Button look="stop" onClick={() => recorder.current?.stop()}>
      <Square size={18} aria-hidden /> Stop recording
    </Button>
  );
}

/** A file another program shared: the service worker has put it aside. */
async function takeShared(): Promise<Waiting["file"] | undefined> {
  if (!("caches" in window)) return undefined;
  const cache = await caches.open("hobbin-shared");
  const [request] = await cache.keys();
  if (!request) return undefined;
  const answer = (await cache.match(request))!;
  await cache.delete(request);
  return { name: decodeURIComponent(answer.headers.get("x-name") ?? "shared"), content: await answer.blob() };
}
