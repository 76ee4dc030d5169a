"use client";

import { useQuery, useQueryClient } from "@tanstack/react-query";
import { FileText, Mic, X } from "lucide-react";
import { useRef, useState } from "react";
import { readAddress } from "@/core/address/read-address";
import type { Answer } from "@/services/registry";
import { Button, buttonLook, IconButton } from "../parts/button";
import { Day } from "../parts/day";
import { Empty } from "../parts/empty";
import { Area, Field } from "../parts/field";
import { ask, call, Refusal } from "../talk/call";
import { newId } from "../talk/ids";
import { sayFailure, whyOf } from "../talk/say-failure";
import { sendFile } from "./send-file";
import { STATE_WORDS, titleOf } from "./state-words";
import { useGiver } from "./use-giver";

type Shown = Answer<"suggestions.page">;
type Mine = Answer<"suggestions.mine">["suggestions"];

/** So often it is asked what became of one's own, in milliseconds. */
const AGAIN = 20_000;

/** Where anybody suggests something for a collection, and sees what became of it. */
export function Suggest({ page, giver, shown }: { page: string; giver: string | null; shown: Shown }) {
  const who = useGiver(page, giver);
  const key = ["suggested", page, who.code];
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: key,
    queryFn: () => ask("suggestions.mine", { page, giver: who.code! }),
    enabled: who.code !== null,
    refetchInterval: AGAIN,
  });
  const mine: Mine = data?.suggestions ?? [];
  return (
    <main id="main" className="mx-auto flex max-w-xl flex-col gap-6 px-4 pt-8 pb-16">
      <header>
        <p className="text-[15px] text-quiet">Suggest something for</p>
        <h1 className="font-serif text-3xl font-semibold break-words">{shown.title}</h1>
        {shown.ask && <p className="mt-2 whitespace-pre-line">{shown.ask}</p>}
        {shown.open && shown.until && (
          <p className="mt-1 text-[15px] text-quiet">
            Until <Day of={shown.until} />
          </p>
        )}
      </header>
      {shown.open ? (
        <Offering
          page={page}
          who={who}
          onOffered={(code, one) => {
            client.setQueryData<{ suggestions: Mine }>(["suggested", page, code], (now) => ({
              suggestions: [one, ...(now?.suggestions ?? mine).filter(({ id }) => id !== one.id)],
            }));
          }}
        />
      ) : (
        <Empty title="It is closed just now">
          <p>Nothing more is taken. Ask whoever gave you this address.</p>
        </Empty>
      )}
      {mine.length > 0 && (
        <section aria-label="What you suggested" className="flex flex-col gap-1">
          <h2 className="border-b border-line pb-1 font-serif text-xl font-semibold">What you suggested</h2>
          <ul>
            {mine.map((one) => (
              <li key={one.id} className="flex flex-col border-b border-line py-2.5">
                <span className="line-clamp-2 font-semibold break-words">{titleOf(one)}</span>
                <span className="text-[15px] text-quiet">{STATE_WORDS[one.state]}</span>
                {one.word && <span className="mt-1 border-l-2 border-edge pl-3">{one.word}</span>}
              </li>
            ))}
          </ul>
          <p className="pt-1 text-[15px] text-quiet">
            This device remembers them. Anywhere else you see what becomes of them at{" "}
            <a href={`/s/${page}/${who.code}`} className="text-accent underline">
              your own address
            </a>
            .
          </p>
        </section>
      )}
    </main>
  );
}

type Who = ReturnType<typeof useGiver>;

function Offering({
  page,
  who,
  onOffered,
}: {
  page: string;
  who: Who;
  onOffered: (code: string, one: Mine[number]) => void;
}) {
  // Until it is taken it is the same one, however often it is sent.
  const [id, setId] = useState(newId);
  const [words, setWords] = useState("");
  const [file, setFile] = useState<File | null>(null);
  const [why, setWhy] = useState("");
  // As it was last time, until another one is typed.
  const [typedName, setName] = useState<string | null>(null);
  const name = typedName ?? who.name;
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState("");
  const sent = useRef<{ file: File; as: string } | null>(null);
  const first = useRef<HTMLTextAreaElement>(null);
  const offer = async () => {
    const text = words.trim();
    const isAddress = readAddress(text).ok || /^https?:\S+$/i.test(text);
    if (!text && !file) return setErrors({ text: "Give an address, some words or a file." });
    if (!name.trim()) return setErrors({ name: "Give your name, or what you are called here." });
    setBusy(true);
    setSaid("");
    try {
      if (file && sent.current?.file !== file) sent.current = { file, as: await sendFile(page, file) };
      const what = file ? { file: sent.current!.as, text } : isAddress ? { address: text } : { text };
      const about = { page, suggestion: id, name: name.trim(), why: why.trim() };
      const { giver, suggestion } = await call("suggestions.offer", {
        ...about,
        ...what,
        ...(who.code && { giver: who.code }),
      });
      onOffered(giver, suggestion);
      who.keep(name.trim(), giver);
      setId(newId());
      setWords("");
      setFile(null);
      setWhy("");
      setSaid(
        suggestion.byItself ? "Thank you. It is on its way in." : "Thank you. It waits for a look now.",
      );
      first.current?.focus();
    } catch (failure) {
      if (failure instanceof Refusal && Object.keys(failure.fields).length) setErrors(failure.fields);
      else if (file && failure instanceof Refusal) setErrors({ file: whyOf(failure) });
      else sayFailure(failure);
    } finally {
      setBusy(false);
    }
  };
  const typed =
    (set: (value: string) => void) => (event: React.ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      set(event.target.value);
      setErrors({});
    };
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void offer();
      }}
    >
      <Area
        ref={first}
        label="A web address, or your words"
        value={words}
        error={errors.text ?? errors.address}
        maxLength={16_000}
        rows={2}
        inputClass="max-h-72 overflow-y-auto text-base"
        onChange={typed(setWords)}
      />
      <div className="-mt-1 flex flex-wrap items-center gap-2">
        {file ? (
          <span className="flex min-w-0 items-center gap-1 rounded-md bg-wash pl-3">
            <span className="truncate">{file.name}</span>
            <IconButton label={`Leave out ${file.name}`} onClick={() => setFile(null)}>
              <X size={18} aria-hidden />
            </IconButton>
          </span>
        ) : (
          <>
            <Pick words="Photo or file" icon={<FileText size={18} aria-hidden />} onPick={setFile} />
            <Pick words="Voice note" icon={<Mic size={18} aria-hidden />} sound onPick={setFile} />
          </>
        )}
        {errors.file && (
          <p role="alert" className="w-full text-sm text-stop">
            {errors.file}
          </p>
        )}
      </div>
      <Area
        label="Why? (may stay empty)"
        value={why}
        error={errors.why}
        maxLength={2_000}
        inputClass="max-h-48 overflow-y-auto text-base"
        onChange={typed(setWhy)}
      />
      <Field
        label="Your name"
        hint="As you are called here; it stands beside what you suggest."
        value={name}
        error={errors.name}
        maxLength={80}
        autoComplete="given-name"
        inputClass="text-base"
        onChange={typed(setName)}
      />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button look="accent" type="submit" disabled={busy}>
          {busy ? "On its way …" : "Suggest it"}
        </Button>
        {who.name && (
          <Button look="quiet" small onClick={() => (who.forget(), setName(null), setSaid(""))}>
            Not {who.name}?
          </Button>
        )}
        <p role="status" className="text-[15px]">
          {said}
        </p>
      </div>
    </form>
  );
}

function Pick({
  words,
  icon,
  sound,
  onPick,
}: {
  words: string;
  icon: React.ReactNode;
  sound?: boolean;
  onPick: (file: File) => void;
}) {
  return (
    <label className={`${buttonLook("line", true)} cursor-pointer gap-1.5 focus-within:outline-2`}>
      {icon}
      {words}
      <input
        type="file"
        className="sr-only"
        // On a phone this begins to record.
        {...(sound && { accept: "audio/*", capture: true })}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onPick(file);
          event.target.value = "";
        }}
      />
    </label>
  );
}
