import { Problem } from "@/mechanism/problem";
import { openFile } from "@/outside/files";
import { actorOf } from "@/services/accounts/actor-of-request";
import { makeFile } from "@/services/export/make";
import { orderedFile } from "@/services/export/ordered";
import { WHILE_ONE_WAITS } from "@/services/export/pages";
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
const exported = async (request: Request, asked: Asked): Promise<Response> =>
  fileAnswer(await makeFile(await actorOf(request.headers), asked, WHILE_ONE_WAITS));

/** GET /api/exports/<order>: a file that was ordered and is ready. */
export const getOrdered = (
  request: Request,
  { params }: { params: Promise<{ order: string }> },
): Promise<Response> =>
  answering(async () => {
    const { name, type, hash } = await orderedFile.call(await actorOf(request.headers), await params);
    const found = await openFile(hash);
    if (!found) throw new Problem("not-found");
    return fileAnswer({ name, type, content: found.stream, bytes: found.bytes });
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
