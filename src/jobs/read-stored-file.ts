import { titleOfFile } from "@/core/formats/file-name";
import type { PageFacts } from "@/core/page/facts";
import { findResource } from "@/data/queries/resources";
import { findFile } from "@/data/queries/texts-and-files";
import { database } from "@/mechanism/changing";
import { readDocument, readMediaFile } from "@/outside/documents/read-document";
import { storeFile, readStored, withStored } from "@/outside/files";
import { makeThumbnail } from "@/outside/pictures";
import { fillResource } from "@/services/resources/fill";
import type { JobKind } from "./job-kind";
import { keptInside } from "./kept-picture";
import { mustBeInTime, unlessSlow } from "./read-page";

/** Beyond this a file is not read whole; of sound and film only the head is. */
const READ_WHOLE = 100_000_000;

/** Reads what is in a kept file: text, length, pages, and a picture of it. */
export const readFileJob: JobKind = {
  run: async ({ resource }, attempt) => {
    const id = String(resource);
    const row = await findResource(database(), id);
    const file = await findFile(database(), id);
    if (!row || row.deletedAt || !file) return;
    const large = file.bytes > READ_WHOLE;
    const content = large ? null : await readStored(file.hash);
    const { copy: document, slow } = await unlessSlow(async () =>
      content ? readDocument(content, file.name) : null,
    );
    const read = document
      ? document
      : /^(audio|video)\//.test(file.type)
        ? ((await withStored(file.hash, readMediaFile)) ?? {})
        : {};
    const { title, authors, language, words, pages, seconds, copy, inside, picture, lacks } = {
      ...NOTHING,
      ...read,
    };
    const thumbnail = picture ? await makeThumbnail(picture, { drawings: true }) : null;
    const plays = row.kind === "video" || row.kind === "sound";
    const facts: PageFacts = {
      kind: row.kind,
      title: title || titleOfFile(file.name),
      description: null,
      siteName: null,
      authors: authors ?? [],
      published: null,
      language,
      licence: null,
      pictures: [],
      words: words ?? null,
      pages: pages ?? null,
      seconds: seconds ?? null,
      player: plays ? { type: "file", address: `/api/file/${id}`, mime: file.type } : null,
      canonical: null,
      oembed: null,
    };
    const filling = {
      ok: true as const,
      lacks: slow ? ("slow" as const) : lacks,
      facts,
      finalAddress: "",
      picture: thumbnail ? { hash: await storeFile(thumbnail), bytes: thumbnail.length } : null,
      copy: copy ? { ...copy, kept: await keptInside(inside) } : null,
      origin: "file" as const,
    };
    await fillResource(id, filling);
    mustBeInTime(filling, attempt);
  },
  givenUp: async ({ resource }) => fillResource(String(resource), { ok: false, problem: "internal" }),
};

const NOTHING = {
  title: null,
  authors: null,
  language: null,
  words: null,
  pages: null,
  seconds: null,
  copy: null,
  inside: [],
  picture: null,
  lacks: null,
};
