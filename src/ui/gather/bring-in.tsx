"use client";

import { useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Link } from "../parts/link";
import { toast } from "../talk/toast";
import type { Answer } from "@/services/registry";
import type { Brings } from "../imports/use-preview";
import { sendFiles } from "../imports/uploads";
import { WorkForm } from "../imports/work-form";
import { Button } from "../parts/button";
import { Dialog } from "../parts/dialog";
import { Area, Field } from "../parts/field";
import { TabPanel, Tabs } from "../parts/tabs";
import { call } from "../talk/call";
import { inPlace } from "../talk/in-place";
import { sayAtField } from "../talk/say-failure";
import { sayWaits, trayOf } from "./into-tray";

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  team: string;
  /** The open collection, when there is one: what is brought in goes there. */
  into?: { id: string; title: string; section?: string | null; capture: (address: string) => Promise<void> };
  /** Hands over a list or a file of links to be looked at first; left out: there are no lists. */
  onMany?: (brings: Brings) => void;
};

type Way = "address" | "files" | "list" | "hand";
const WAYS: { value: Way; label: string }[] = [
  { value: "address", label: "Address" },
  { value: "files", label: "Files" },
  { value: "list", label: "A list" },
  { value: "hand", label: "By hand" },
];

/** Brings something in, in whatever way suits it. */
export function BringIn({ open, onOpenChange, team, into, onMany }: Props) {
  const client = useQueryClient();
  const [way, setWay] = useState<Way>("address");
  const again = () => void client.invalidateQueries();
  const close = () => onOpenChange(false);
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      wide={way === "hand"}
      title="Bring in"
      about={
        into
          ? `It goes to ${into.title}. You can also paste, or drop files, without opening this.`
          : "It waits in your Tray until you place it. You can also paste, or drop files, without opening this."
      }
    >
      <Tabs
        label="What to bring in"
        value={way}
        onChange={setWay}
        tabs={WAYS.filter((one) => onMany || one.value !== "list")}
      >
        <TabPanel value="address">
          <AddressForm {...{ team, into }} onDone={close} />
        </TabPanel>
        <TabPanel value="files">
          <div className="flex flex-col gap-3 pt-4">
            <label className="flex flex-col gap-1">
              <span className="text-sm font-semibold">Documents, pictures, sound, video</span>
              <input
                type="file"
                multiple
                className="text-[15px] file:mr-3 file:h-10 file:rounded-md file:border file:border-accent file:bg-sheet file:px-4 file:font-semibold file:text-accent"
                onChange={(event) => {
                  const files = [...(event.target.files ?? [])];
                  if (!files.length) return;
                  sendFiles(files, { team, collection: into?.id, section: into?.section }, again);
                  close();
                }}
              />
            </label>
            <p className="text-sm text-quiet">
              A file that is here already is not kept twice. Photos lose the place they were taken at.
            </p>
          </div>
        </TabPanel>
        {onMany && (
          <TabPanel value="list">
            <ListForm onMany={(brings) => (close(), onMany(brings))} />
          </TabPanel>
        )}
        <TabPanel value="hand">
          <WorkForm
            team={team}
            into={into}
            onDone={(title) => (again(), close(), toast(`Brought in: ${title}`))}
          />
        </TabPanel>
      </Tabs>
    </Dialog>
  );
}

function AddressForm({ team, into, onDone }: Pick<Props, "team" | "into"> & { onDone: () => void }) {
  const client = useQueryClient();
  const router = useRouter();
  const [address, setAddress] = useState("");
  const [error, setError] = useState("");
  const [found, setFound] = useState<Answer<"capture.address"> | null>(null);
  const bring = async () => {
    setError("");
    try {
      if (into) await into.capture(address);
      else {
        const answer = await call("capture.address", { team, address });
        if (answer.already) return setFound(answer);
        sayWaits(1, () => router.push(trayOf(team)));
        void client.invalidateQueries({ queryKey: ["tray", team] });
      }
      setAddress("");
      onDone();
    } catch (failure) {
      sayAtField("address", setError)(failure);
    }
  };
  return (
    <form
      noValidate
      className="flex flex-col gap-4 pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        void bring();
      }}
    >
      <Field
        label="Web address"
        type="url"
        inputMode="url"
        value={address}
        error={error}
        autoFocus
        placeholder="https://"
        onChange={(event) => (setAddress(event.target.value), setError(""), setFound(null))}
      />
      {found && (
        <p role="status" className="rounded-md bg-warn-wash p-3">
          This is in the catalogue already: <b>{found.resource.title}</b>
          {found.places.length > 0 && (
            <>
              , in{" "}
              {found.places.map((place, i) => (
                <span key={place.collection}>
                  {i > 0 && ", "}
                  <Link href={inPlace(place)} className="underline">
                    {place.title}
                  </Link>
                </span>
              ))}
            </>
          )}
          .
        </p>
      )}
      <Button look="accent" type="submit" className="self-end">
        Bring in
      </Button>
    </form>
  );
}

function ListForm({ onMany }: { onMany: (brings: Brings) => void }) {
  const [text, setText] = useState("");
  return (
    <form
      className="flex flex-col gap-4 pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) onMany({ name: "", text });
      }}
    >
      <Area
        label="A text with links in it"
        hint="From a mail, a document, a spreadsheet. You see what was found before anything is brought in."
        rows={4}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <label className="flex flex-col gap-1">
        <span className="text-sm font-semibold">Or a file another tool wrote</span>
        <input
          type="file"
          accept=".html,.htm,.csv,.tsv,.opml,.xml,.rss,.atom,.json,.ris,.bib,.md,.markdown,.txt,.docx"
          className="text-[15px] file:mr-3 file:h-10 file:rounded-md file:border file:border-accent file:bg-sheet file:px-4 file:font-semibold file:text-accent"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) onMany({ name: file.name, file });
          }}
        />
      </label>
      <Button look="accent" type="submit" className="self-end" disabled={!text.trim()}>
        Find the links
      </Button>
    </form>
  );
}
