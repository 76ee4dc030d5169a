import { call, type Pairing, store } from "./api";
import type { Option } from "./parts";
import type { Place } from "./saving";

type Tree = { id: string; parent: string | null; title: string; team: string }[];
/** What the window knows of Hobbin. */
export type Known = { teams: { id: string; name: string; role: string }[]; tree: Tree; tags: string[] };

/** What the window needs of Hobbin: shown as it was last known, then asked anew. */
export async function know(paired: Pairing): Promise<Known> {
  const { teams } = await call<{ teams: Known["teams"] }>(paired, "teams.read", {});
  const open = teams.filter((team) => team.role !== "viewer");
  const parts = await Promise.all(
    open.map(async (team) => {
      const [{ collections }, { tags }] = await Promise.all([
        call<{ collections: Omit<Tree[number], "team">[] }>(paired, "collections.tree", { team: team.id }),
        call<{ tags: { name: string; count: number }[] }>(paired, "tags.read", { team: team.id }),
      ]);
      return { tree: collections.map((one) => ({ ...one, team: team.id })), tags };
    }),
  );
  const known: Known = {
    teams: open,
    tree: parts.flatMap((part) => part.tree),
    tags: parts
      .flatMap((part) => part.tags)
      .sort((a, b) => b.count - a.count)
      .map((tag) => tag.name),
  };
  await store({ known });
  return known;
}

/**
 * Recent places first, then the top of the tree, to be gone into level by level; with letters typed, every collection whose
 * name has them, with the path to it.
 * @param typed letters to find by; empty: what is near
 * @param inside the collection that was gone into; null: the top
 */
export function placesFor(typed: string, known: Known, recent: Place[], inside: string | null): Option[] {
  const byId = new Map(known.tree.map((one) => [one.id, one]));
  const path = (id: string | null): string => {
    const one = id ? byId.get(id) : undefined;
    return one ? [path(one.parent), one.title].filter(Boolean).join(" / ") : "";
  };
  const teamName = (id: string) =>
    known.teams.length > 1 ? known.teams.find((team) => team.id === id)?.name : "";
  const asOption = (one: Tree[number]): Option => ({
    key: JSON.stringify({ team: one.team, collection: one.id, title: one.title }),
    words: one.title,
    about: [teamName(one.team), path(one.parent)].filter(Boolean).join(" / "),
    deep: known.tree.some((other) => other.parent === one.id),
  });
  const trays = known.teams.map((team) => ({
    key: JSON.stringify({ team: team.id, title: `Tray of ${team.name}` }),
    words: `Tray of ${team.name}`,
  }));
  const key = typed.toLowerCase();
  if (key)
    return [...trays, ...known.tree.map(asOption)]
      .filter((one) => one.words.toLowerCase().includes(key))
      .slice(0, 40);
  if (inside) return known.tree.filter((one) => one.parent === inside).map(asOption);
  const late = recent.map((one) => ({ key: JSON.stringify(one), words: one.title, about: "recent" }));
  return [...late, ...trays, ...known.tree.filter((one) => !one.parent).map(asOption)];
}
