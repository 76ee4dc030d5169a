import { headers } from "next/headers";
import { ofTeamOrGuest } from "@/app/of-team";
import { read } from "@/app/read";
import { countMarks } from "@/core/marks/filter";
import type { Marks } from "@/ui/read/marks/use-marks";
import { PDF } from "@/ui/read/file-in-place";
import { EarlyWorker } from "@/ui/read/pdf/early-worker";
import { ReadRoom } from "@/ui/read/read-room";

/** Of a long text so many characters come with the page, which are some screens of it; the rest is fetched behind. */
const FIRST = 16_000;

export const metadata = { title: "Reading room" };
type Props = { params: Promise<{ resource: string }>; searchParams: Promise<{ in?: string | string[] }> };
export default async function Page({ params, searchParams }: Props) {
  const [{ resource: id }, { in: from }] = [await params, await searchParams];
  const about = await read("resources.read", { resource: id });
  const placement = about.places.find((one) => one.placement === from)?.placement;
  // None of these waits for another.
  const [frame, text, { message }, marks, reading, waits] = await Promise.all([
    ofTeamOrGuest(about.resource.team, `/read/${id}`),
    read("resources.text", { resource: id, beginning: FIRST }),
    read("messages.of-resource", { resource: id }),
    read("marks.of-resource", { resource: id }),
    read("reading.read", { resource: id, placement }),
    read("tray.of-resource", { resource: id }),
  ]);
  const links =
    message?.links ??
    (about.resource.kind === "document" ? (await read("resources.links", { resource: id })).links : []);
  const isPdf = text.file?.type === PDF;
  // On the pages of a PDF they stand wherever their words do.
  const first = text.whole || isPdf ? marks : marksOfBeginning(marks, text.html!.length);
  return (
    <>
      {isPdf && <EarlyWorker nonce={(await headers()).get("x-nonce") ?? undefined} />}
      <ReadRoom key={id} {...frame} {...about} {...{ text, message, links, marks: first, reading, waits }} />
    </>
  );
}

/** Those that stand in the beginning, or nowhere in the text, and how many there are; the others are fetched behind. */
const marksOfBeginning = (marks: Marks, length: number): Marks => ({
  ...marks,
  marks: marks.marks.filter(({ end }) => end === null || end <= length),
  counted: countMarks(marks.marks),
});
