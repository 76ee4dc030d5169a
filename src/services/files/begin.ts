import { IsInt, Max, Min } from "class-validator";
import { reading } from "@/mechanism/action";
import { Id, MaybeId } from "@/mechanism/input";
import { can } from "@/mechanism/policy";
import { Problem } from "@/mechanism/problem";
import { settings } from "@/outside/settings";

class BeginUpload {
  @Id() team: string;
  /** Where it goes; a guest says so. */
  @MaybeId() collection?: string;
  @IsInt() @Min(0) @Max(2 ** 40) bytes: number;
}

/** The most bytes one file may have. */
export const mostBytes = () => Number(settings().fileLimit) * 1024 * 1024;

export const beginUpload = reading({
  name: "files.begin",
  about:
    "Whether a file of this size may be sent to the team. Files themselves go to /api/files by the tus protocol.",
  input: BeginUpload,
  allow: can.bringIn(),
  run: async ({ input }) => {
    if (input.bytes > mostBytes())
      throw new Problem("file-too-large", `A file may have ${settings().fileLimit} MB at the most.`);
    return { most: mostBytes() };
  },
});
