import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { ReadRoom } from "@/ui/read/read-room";

export const metadata = { title: "Reading room" };
export default async function Page({ params }: { params: Promise<{ resource: string }> }) {
  const { resource: id } = await params;
  const about = await read("resources.read", { resource: id });
  const frame = await ofTeam(about.resource.team, `/read/${id}`);
  const text = await read("resources.text", { resource: id });
  const { message } = await read("messages.of-resource", { resource: id });
  const links =
    message?.links ??
    (about.resource.kind === "document" ? (await read("resources.links", { resource: id })).links : []);
  const marks = await read("marks.of-resource", { resource: id });
  const reading = await read("reading.read", { resource: id });
  const waits = await read("tray.of-resource", { resource: id });
  return <ReadRoom key={id} {...frame} {...about} {...{ text, message, links, marks, reading, waits }} />;
}
