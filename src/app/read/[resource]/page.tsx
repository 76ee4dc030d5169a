import { headers } from "next/headers";
import { ofTeamOrGuest } from "@/app/of-team";
import { read } from "@/app/read";
import { fileOf, PDF } from "@/ui/read/file-in-place";
import { FirstPage } from "@/ui/read/pdf/first-page";
import { ReadRoom } from "@/ui/read/read-room";

/** Of a long text so many characters come with the page, which are some screens of it; the rest is fetched behind. */
const FIRST = 16_000;
/** With the marks of so many, which is more than comes with it; one that is not much longer comes whole. */
const MARKED = 3 * FIRST;

export const metadata = { title: "Reading room" };
type Props = { params: Promise<{ resource: string }>; searchParams: Promise<{ in?: string | string[] }> };
export default async function Page({ params, searchParams }: Props) {
  const [{ resource: id }, { in: from }] = [await params, await searchParams];
  // None of these waits for another.
  const behind = Promise.all([
    read("resources.text", { resource: id, beginning: FIRST }),
    read("marks.of-resource", { resource: id, beginning: MARKED }),
    read("messages.of-resource", { resource: id }),
    read("tray.of-resource", { resource: id }),
  ]);
  // What is not to be seen is said by the first that is waited for.
  behind.catch(() => undefined);
  const about = await read("resources.read", { resource: id });
  const placement = about.places.find((one) => one.placement === from)?.placement;
  const [frame, reading, [text, marks, { message }, waits]] = await Promise.all([
    ofTeamOrGuest(about.resource.team, `/read/${id}`),
    read("reading.read", { resource: id, placement }),
    behind,
  ]);
  const links =
    message?.links ??
    (about.resource.kind === "document" ? (await read("resources.links", { resource: id })).links : []);
  return (
    <>
      {text.file?.type === PDF && (
        <FirstPage
          source={{ src: fileOf(id), bytes: text.file.bytes }}
          nonce={(await headers()).get("x-nonce") ?? undefined}
        />
      )}
      <ReadRoom key={id} {...frame} {...about} {...{ text, message, links, marks, reading, waits }} />
    </>
  );
}
