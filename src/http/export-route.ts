import { zipped } from "@/outside/zip";
import { actorOf } from "@/services/accounts/actor-of-request";
import { exportCollection } from "@/services/export/collection";
import { DOCUMENT_FORMATS, exportDocument } from "@/services/export/document";
import { cartridgeFiles, exportFolder, folderFiles } from "@/services/export/folder";
import { rejectedLines } from "@/services/imports/rejected";
import { readOriginal } from "@/services/messages/original";
import { answering, readJson } from "./answer";
import { fileAnswer } from "./file-answer";

type Params = { params: Promise<{ collection: string }> };
type Asked = Record<string, unknown>;

/** GET /api/export/<collection>?format=…: the file itself, to be saved. */
export const getExport = (request: Request, { params }: Params): Promise<Response> =>
  answering(async () => {
    const asked: Asked = Object.fromEntries(new URL(request.url).searchParams);
    if (asked.edition !== undefined) asked.edition = Number(asked.edition);
    return exported(request, { ...asked, ...(await params) });
  });

/** POST of the same as JSON, for whoever chooses more items than an address can name. */
export const postExport = (request: Request, { params }: Params): Promise<Response> =>
  answering(async () =>
    exported(request, { ...((await readJson(request)) as Asked | null), ...(await params) }),
  );

/** @throws {Problem} not-valid, as the action behind the format says it */
async function exported(request: Request, asked: Asked): Promise<Response> {
  const { collection, format, placements, style, paper, edition, copies } = asked;
  const actor = await actorOf(request.headers);
  const chosen = { collection, ...(placements !== undefined && { placements }) };
  if (format === "folder" || format === "cartridge") {
    const folder = await exportFolder.call(actor, {
      ...{ ...chosen, ...(edition !== undefined && { edition }) },
      ...(style !== undefined && { style }),
    });
    const isPages = format === "folder";
    const files = isPages ? folderFiles(folder, copies === "all" ? "all" : "shown") : cartridgeFiles(folder);
    const name = `${folder.name}.${isPages ? "zip" : "imscc"}`;
    return fileAnswer({ name, type: "application/zip", content: zipped(files, folder.at) });
  }
  if (!DOCUMENT_FORMATS.includes(String(format)))
    return fileAnswer(
      await exportCollection.call(actor, { ...chosen, format, ...(style !== undefined && { style }) }),
    );
  const { base64, ...file } = await exportDocument.call(actor, {
    ...{ ...chosen, format },
    ...(paper !== undefined && { paper }),
    ...(style !== undefined && { style }),
  });
  return fileAnswer({ ...file, content: Buffer.from(base64, "base64") });
}

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
