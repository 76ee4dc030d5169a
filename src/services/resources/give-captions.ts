import { type CaptionProblem, readCaptions, writeVtt } from "@/core/text/web-vtt";
import { noteFile } from "@/data/queries/texts-and-files";
import { action } from "@/mechanism/action";
import { Id, MaybeText } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { fieldProblem } from "@/mechanism/problem";
import { storeFile } from "@/outside/files";

class GiveCaptions {
  @Id() resource: string;
  /** A file of captions, as WebVTT or SubRip has them; empty: they are taken off. */
  @MaybeText(400_000) captions?: string;
}

const SAY: Record<CaptionProblem, (line: number) => string> = {
  "no-captions": (line) => `Line ${line} is neither captions in WebVTT nor in SubRip (.srt).`,
  "time-not-readable": (line) =>
    `The times in line ${line} cannot be read. They look like 00:01:02.500 --> 00:01:05.000.`,
  "ends-before": (line) => `What is said in line ${line} ends before it begins.`,
  "too-many": () => "At most 20,000 captions, please.",
};

export const giveCaptions = action({
  name: "resources.give-captions",
  about:
    "Gives a film or a sound its captions, from a file in WebVTT or SubRip; without them they are taken off. They are kept as WebVTT, without styles.",
  input: GiveCaptions,
  allow: can.bringHere("resource"),
  locks: ({ input }) => ({ resources: [input.resource] }),
  history: ({ input }) => (input.captions ? "give captions" : "take captions off"),
  run: async ({ input, tx, locked, at, change }) => {
    const row = locked.resource(input.resource);
    if (row.kind !== "video" && row.kind !== "sound") throw fieldProblem("resource", "no-film");
    let captionsHash: string | null = null;
    let cues = 0;
    if (input.captions?.trim()) {
      const read = readCaptions(input.captions);
      if (!read.ok) throw fieldProblem("captions", "captions-not-readable", SAY[read.problem](read.line));
      const bytes = new TextEncoder().encode(writeVtt(read.cues));
      captionsHash = await storeFile(bytes);
      await noteFile(tx, { hash: captionsHash, bytes: bytes.length, type: "text/vtt", createdAt: at });
      cues = read.cues.length;
    }
    await change("resource", row, { captionsHash }, { say: { title: row.title } });
    return { cues };
  },
});
