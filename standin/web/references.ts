import type http from "node:http";

/** A small catalogue in CSL-JSON, as registries of DOIs and book services answer it. All of it is made up. */
const WORKS: Record<string, object> = {
  "10.5555/peat.3": {
    type: "article-journal",
    title: "Four springs at Lantern Moss: water, moss and methane after rewetting",
    author: [
      { family: "Okeri", given: "Ama" },
      { family: "Petrik", given: "Jonas" },
    ],
    issued: { "date-parts": [[2024, 5]] },
    "container-title": "Annals of Bog Research",
    volume: "12",
    issue: "2",
    page: "41-63",
    ISSN: "2049-3630",
    DOI: "10.5555/peat.3",
    URL: "http://bog-journal.localhost:4801/2024/methane-review",
    language: "en",
  },
  "9780306406157": {
    type: "book",
    title: "The wet and the dry: a history of one moor",
    author: [{ family: "Aldous", given: "Mira" }],
    issued: { "date-parts": [[1987]] },
    publisher: "Heath Library Press",
    "publisher-place": "Heathby",
    ISBN: "9780306406157",
  },
};

/** Answers /<DOI> and /isbn/<ISBN> with CSL-JSON, if the asker wants that (content negotiation). */
export const references: http.RequestListener = (request, response) => {
  const path = decodeURIComponent(new URL(request.url ?? "/", "http://doi").pathname).slice(1);
  if (path === "robots.txt") return void response.writeHead(404).end();
  const work = WORKS[path.replace(/^isbn\//, "")];
  if (!work) return void response.writeHead(404, { "content-type": "text/plain" }).end("Not found");
  if (!/csl\+json|application\/json/.test(request.headers.accept ?? ""))
    return void response.writeHead(406, { "content-type": "text/plain" }).end("Ask for CSL-JSON");
  response.writeHead(200, { "content-type": "application/vnd.citationstyles.csl+json" });
  response.end(JSON.stringify(work));
};
