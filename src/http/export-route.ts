import { actorOf } from "@/services/accounts/actor-of-request";
import { zipped } from "@/outside/zip";
import { exportCollection } from "@/services/export/collection";
import { DOCUMENT_FORMATS, exportDocument } from "@/services/export/document";
import { cartridgeFiles, exportFolder, folderFiles } from "@/services/export/folder";
import { rejectedLines } from "@/services/imports/rejected";
import { readOriginal } from "@/services/messages/original";
import { answering } from "./answer";
import { fileAnswer } from "./file-answer";

/** GET /api/export/<collection>?format=…: the file itself, to be saved. */
export const getExport = (
  request: Request,
  { params }: { params: Promise<{ collection: string }> },
): Promise<Response> =>
  answering(async () => {
    const { collection } = await params;
    const query = new URL(request.url).searchParams;
    const input = {
      collection,
      format: query.get("format"),
      placements: query.get("placements") ?? undefined,
    };
    const actor = await actorOf(request.headers);
    if (input.format === "folder" || input.format === "cartridge") {
      const edition = query.get("edition");
      const folder = await exportFolder.call(actor, {
        collection,
        ...(edition && { edition: Number(edition) }),
      });
      const copies = query.get("copies") === "all" ? "all" : "shown";
      const isPages = input.format === "folder";
      const content = zipped(isPages ? folderFiles(folder, copies) : cartridgeFiles(folder), folder.at);
      return fileAnswer({
        name: `${folder.name}.${isPages ? "zip" : "imscc"}`,
        type: "application/zip",
        content,
      });
    }
    if (!DOCUMENT_FORMATS.includes(String(input.format)))
      return fileAnswer(await exportCollection.call(actor, input));
    const { base64, ...file } = await exportDocument.call(actor, {
      ...input,
      paper: query.get("paper") ?? undefined,
      style: query.get("style") ?? undefined,
    });
    return fileAnswer({ ...file, content: Buffer.from(base64, "base64") });
  });

/** GET /api/imports/<intake>/rejected: the lines to mend, as a table. */
export const getRejected = (
  request: Request,
  { params }: { params: Promise<{ import: string }> },
): Promise<Response> =>
  answering(async () => fileAnswer(await rejectedLines.call(await actorOf(request.headers), await params)));

/** GET /api/mail/<message>: a message as it arrived. */
export const getOriginal = (
  request: Request,
  { params }: { params: Promise<{ message: string }> },
): Promise<Response> =>
  answering(async () => fileAnswer(await readOriginal.call(await actorOf(request.headers), await params)));
