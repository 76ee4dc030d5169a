import { READER_VIEWS, type ReaderView } from "@/core/publish/model";
import { readerDocument } from "@/core/publish/reader-document";
import { actorOf } from "@/services/accounts/actor-of-request";
import { readPublished } from "@/services/reader/read";
import { answering } from "./answer";
import { READER_POLICY } from "./reader-route";

/**
 * GET /api/preview/<collection>?view=…&audience=…&reach=…: the reader's page as it would be, for whoever may see the
 * collection; with `?edition=…&part=…` as it is kept.
 */
export const getPreview = (
  request: Request,
  { params }: { params: Promise<{ collection: string }> },
): Promise<Response> =>
  answering(async () => {
    const { searchParams } = new URL(request.url);
    const [audience, reach] = [searchParams.get("audience"), searchParams.get("reach")];
    const { collection: root } = await params;
    const [edition, part] = [Number(searchParams.get("edition")), searchParams.get("part")];
    const { collection } = await readPublished.call(await actorOf(request.headers), {
      collection: root,
      ...(edition && { edition, part }),
      ...(audience && { audience }),
      ...(reach && { reach }),
    });
    const wish = searchParams.get("view") as ReaderView;
    const page = readerDocument(collection, READER_VIEWS.includes(wish) ? wish : collection.view, {
      self: `/api/preview/${collection.id}`,
      home: null,
      site: "",
      picture: (hash) => `/api/pictures/${hash}`,
      file: (item) => `/api/file/${item.file}`,
      captions: (item) => item.file && `/api/captions/${item.file}`,
      copy: null,
      fonts: "/fonts",
      view: (view) => `/api/preview/${collection.id}?view=${view}`,
      everything: null,
      door: ({ code, part }) =>
        code
          ? `/c/${code}${part ? `/in/${part}` : ""}`
          : edition
            ? `/api/preview/${root}?edition=${edition}${part ? `&part=${part}` : ""}`
            : `/api/preview/${part ?? collection.id}`,
    });
    return new Response(page, {
      headers: {
        "content-type": "text/html; charset=utf-8",
        "cache-control": "no-store",
        "content-security-policy": READER_POLICY,
      },
    });
  });
