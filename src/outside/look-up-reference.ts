import { type CslItem, readCslItem } from "@/core/cite/csl-read";
import { fetchGuarded } from "./fetch/fetch-guarded";
import { settings } from "./settings";

export type LookedUp =
  { ok: true; reference: ReturnType<typeof readCslItem> } | { ok: false; problem: string };

/**
 * Asks the registry a DOI belongs to for its description, by content negotiation
 * (https://citation.doi.org/docs.html: Accept: application/vnd.citationstyles.csl+json), and the book service for an ISBN.
 */
export async function lookUpReference(wanted: { doi: string } | { isbn: string }): Promise<LookedUp> {
  const { doiService, isbnService, fetchAllow, fetchPorts } = settings();
  const service = "doi" in wanted ? doiService : isbnService;
  if (!service) return { ok: false, problem: "No look-up service is set up here. Type the fields yourself." };
  const value = "doi" in wanted ? wanted.doi.split("/").map(encodeURIComponent).join("/") : wanted.isbn;
  const answer = await fetchGuarded(service.replace(/\/?$/, "/") + value, {
    asked: true,
    allow: fetchAllow,
    ports: fetchPorts,
    accept: "application/vnd.citationstyles.csl+json, application/json;q=0.9",
    limits: { bytes: 1_000_000 },
  });
  if (!answer.ok)
    return {
      ok: false,
      problem:
        answer.problem === "not-found"
          ? "The service knows nothing under this identifier. Type the fields yourself."
          : "The look-up service does not answer just now. What you typed is safe; try again, or type the fields yourself.",
    };
  try {
    const item = JSON.parse(answer.body.toString("utf8")) as CslItem;
    const reference = readCslItem(item);
    if (!reference.title) throw new Error("no title");
    return { ok: true, reference };
  } catch {
    return {
      ok: false,
      problem: "The look-up service gave an answer that cannot be read. Type the fields yourself.",
    };
  }
}
