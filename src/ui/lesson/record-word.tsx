"use client";

import { Mic, Square, Video } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Button } from "../parts/button";
import { sendFiles } from "../imports/uploads";
import { toast } from "../talk/toast";

/** What a browser records, the first it can; files of these are played by all browsers of today. */
const TYPES = {
  sound: ["audio/webm;codecs=opus", "audio/mp4", "audio/ogg;codecs=opus"],
  film: ["video/webm;codecs=vp8,opus", "video/mp4"],
} as const;
type What = keyof typeof TYPES;
/** So long one word of instruction is at the most, in minutes. */
const LONGEST = 10;

const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;

const ending = (type: string): string => /^\w+\/(webm|mp4|ogg)/.exec(type)?.[1] ?? "webm";

/** A spoken or filmed word of instruction, recorded here and kept as a file in the phase. */
export function RecordWord({
  phase,
  where,
  onDone,
}: {
  phase: string;
  where: { team: string; collection: string; section: string };
  onDone: () => void;
}) {
  const [since, setSince] = useState<number | null>(null);
  const recorder = useRef<MediaRecorder | null>(null);
  const [seconds, setSeconds] = useState(0);
  useEffect(() => () => recorder.current?.stop(), []);
  useEffect(() => {
    if (since === null) return;
    const timer = setInterval(() => setSeconds(Math.round((Date.now() - since) / 1_000)), 1_000);
    return () => clearInterval(timer);
  }, [since]);
  const begin = async (what: What) => {
    const type = TYPES[what].find((one) => MediaRecorder.isTypeSupported(one));
    if (!type) return toast.error("This browser records nothing that others could play.");
    let stream: MediaStream;
    try {
      stream = await navigator.mediaDevices.getUserMedia({ audio: true, video: what === "film" });
    } catch {
      return toast.error("The microphone or camera cannot be used: the browser has not been allowed to.");
    }
    const pieces: Blob[] = [];
    const recording = new MediaRecorder(stream, { mimeType: type });
    recorder.current = recording;
    recording.ondataavailable = ({ data }) => void pieces.push(data);
    recording.onstop = () => {
      stream.getTracks().forEach((track) => track.stop());
      recorder.current = null;
      setSince(null);
      const plain = type.split(";")[0]!;
      const name = `${phase.replace(/[\\/:*?"<>|]/g, " ").slice(0, 80)}, ${what === "film" ? "filmed" : "spoken"}.${ending(type)}`;
      if (pieces.some((piece) => piece.size))
        sendFiles([new File(pieces, name, { type: plain })], where, onDone);
    };
    recording.start(1_000);
    setSeconds(0);
    setSince(Date.now());
    setTimeout(() => recording.state === "recording" && recording.stop(), LONGEST * 60_000);
  };
  if (since !== null)
    return (
      <p className="mt-2 flex items-center gap-3">
        <Button small look="stop" autoFocus onClick={() => recorder.current?.stop()}>
          <Square size={14} aria-hidden /> Stop, and keep it
        </Button>
        <span role="timer" className="text-quiet tabular-nums">
          Recording, {clock(seconds)} of {LONGEST}:00
        </span>
      </p>
    );
  return (
    <p className="mt-2 -ml-2.5 flex flex-wrap gap-1">
      <Button
        small
        look="quiet"
        onClick={() => void begin("sound")}
        aria-label={`Speak a word of instruction for ${phase}`}
      >
        <Mic size={14} aria-hidden /> Speak a word to it
      </Button>
      <Button
        small
        look="quiet"
        onClick={() => void begin("film")}
        aria-label={`Film a word of instruction for ${phase}`}
      >
        <Video size={14} aria-hidden /> Film one
      </Button>
    </p>
  );
}
