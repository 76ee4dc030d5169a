import type { QueryClient } from "@tanstack/react-query";
import fc from "fast-check";
import { afterAll, beforeEach, expect, test, vi } from "vitest";
import { keysAfter, compareOrder } from "@/core/order/place";
import { toastsBy } from "../../../talk/toast";
import type { Item, Landing, Section } from "../types";
import { groundOf, type State } from "./ground";
import { mendingOn } from "./mending";
import { movingOn } from "./moving";
import { placingOn } from "./placing";

type Sent = {
  action: string;
  input: Record<string, unknown>;
  answer: (status: number, body?: object) => Promise<void>;
};
let sent: Sent[];
let said: string[];
let shown: { words: string; more?: { action?: unknown; cancel?: unknown } }[];
/** Lets everything happen that waits for nothing. */
const turn = () => new Promise<void>((resolve) => setTimeout(resolve));

beforeEach(() => {
  sent = [];
  said = [];
  shown = [];
  toastsBy((_, words, more) => shown.push({ words, more: more as never }));
  vi.stubGlobal(
    "fetch",
    (path: string, { body }: { body: string }) =>
      new Promise<Response>((resolve) =>
        sent.push({
          action: path.split("/").at(-1)!,
          input: JSON.parse(body),
          answer: (status, said = {}) => (resolve(Response.json(said, { status })), turn()),
        }),
      ),
  );
});
afterAll(() => void vi.unstubAllGlobals());

const resource = (id: string, more: object = {}) =>
  ({ id: `page ${id}`, title: `Page ${id}`, kind: "page", tags: [], ...more }) as unknown as Item["resource"];
const item = (id: string, section: string | null, position: string, more: object = {}) =>
  ({
    id,
    section,
    position,
    heading: "",
    context: "",
    look: "item",
    resource: resource(id),
    ...more,
  }) as Item;

/** A Bench with these sections, each with these items in this order; null stands before the first section. */
function bench(layout: [section: string | null, ids: string[]][], { selected = null as string | null } = {}) {
  const sections = layout.flatMap(([id]) => (id ? { id, title: `Section ${id}` } : [])) as Section[];
  const rank = (one: Item) => sections.findIndex((section) => section.id === one.section);
  const sorted = (items: Item[]) => items.toSorted((a, b) => rank(a) - rank(b) || compareOrder(a, b));
  const state: State = {
    team: "moss",
    collection: "bog",
    items: layout.flatMap(([section, ids]) => {
      const keys = keysAfter(null, ids.length);
      return ids.map((id, i) => item(id, section, keys[i]!));
    }),
    sections,
    selected,
    marked: new Set(),
    change: (how) => (state.items = sorted(how(state.items))),
    renew: vi.fn(async () => undefined),
    reload: vi.fn(),
    select: vi.fn((id) => (state.selected = id)),
    ask: vi.fn(),
    toggle: vi.fn(),
    focusNew: vi.fn(),
    write: vi.fn(),
    written: vi.fn(),
    announce: (words) => said.push(words),
    go: () => undefined,
  };
  const invalidateQueries = vi.fn();
  const ground = groundOf({ current: state }, { invalidateQueries } as unknown as QueryClient);
  /** The ids as they stand, a slash before each section. */
  const order = () =>
    [null, ...sections.map((one) => one.id)]
      .map((section) =>
        state.items
          .filter((one) => one.section === section)
          .map((one) => one.id)
          .join(""),
      )
      .join("/");
  return { state, order, ...movingOn(ground), ...placingOn(ground), ...mendingOn(ground) };
}
const two = () =>
  bench([
    [null, ["a", "b"]],
    ["s", ["c", "d", "e"]],
  ]);

test("what is moved stands at once where it was dropped, in the order it had, and everything else where it was", async () => {
  const ids = ["a", "b", "c", "d", "e", "f"];
  await fc.assert(
    fc.asyncProperty(
      fc.uniqueArray(fc.constantFrom(...ids), { minLength: 1 }),
      fc.constantFrom<Landing>(
        ...[null, "s", "t"].flatMap((section) => [
          { section, after: null },
          ...ids
            .filter((_, i) => (section === null ? i < 2 : section === "s" ? i >= 2 : false))
            .map((after) => ({ section, after })),
        ]),
      ),
      async (moving, to) => {
        sent = [];
        const one = bench([
          [null, ids.slice(0, 2)],
          ["s", ids.slice(2)],
          ["t", []],
        ]);
        one.move(moving, to);
        await sent[0]?.answer(200, { entry: null });
        const items = one.state.items.map(({ id }) => id);
        expect(items.filter((id) => !moving.includes(id))).toEqual(ids.filter((id) => !moving.includes(id)));
        const went = items.filter((id) => moving.includes(id));
        expect(went).toEqual(ids.filter((id) => moving.includes(id)));
        const [request] = sent;
        if (!request) {
          // Onto itself: nothing to do.
          expect(to.after).toBe(moving[0]);
          return;
        }
        // The server is told of the same place, by something that stays where it is.
        const after = request.input.after as string | null;
        expect(moving).not.toContain(after);
        const there = one.state.items.filter((other) => other.section === to.section).map(({ id }) => id);
        const first = there.indexOf(went[0]!);
        expect(there[first - 1] ?? null).toBe(after);
        expect(there.slice(first, first + went.length)).toEqual(went);
      },
    ),
  );
});

test("a step goes over the borders of sections and says where it led; at the ends it says so", async () => {
  const { step, order } = two();
  step("b", 1);
  expect([order(), said.pop()]).toEqual(["a/bcde", "Moved to place 1 of 4 in Section s."]);
  step("c", -1);
  expect([order(), said.pop()]).toEqual(["a/cbde", "Moved to place 1 of 4 in Section s."]);
  step("c", -1);
  expect([order(), said.pop()]).toEqual(["ac/bde", "Moved to place 2 of 2."]);
  step("a", -1);
  step("e", 1);
  expect(said).toEqual(["It stands first already.", "It stands last already."]);
  // One after the other, as each says where it goes by what stood there after the one before.
  expect(sent.map(({ input }) => input.placement)).toEqual(["b"]);
  for (let i = 0; i < 3; i++) await sent[i]!.answer(200);
  expect(sent.map(({ input }) => [input.placement, input.section, input.after])).toEqual([
    ["b", "s", null],
    ["c", "s", null],
    ["c", null, "a"],
  ]);
});

test("taken out is gone at once, the next is chosen; refused, the list is read again", async () => {
  const one = two();
  one.state.marked = new Set(["c", "d"]);
  one.remove("c");
  expect([one.order(), one.state.selected]).toEqual(["ab/e", "e"]);
  await sent[0]!.answer(200, { entry: "1" });
  expect(shown.at(-1)).toMatchObject({ words: "Taken out: 2 items", more: { action: { label: "Undo" } } });
  one.state.marked = new Set();
  one.remove("e");
  expect(one.state.selected).toBe("b");
  await sent[1]!.answer(403, { detail: "Your role does not allow this" });
  expect(shown.at(-1)!.words).toBe("Your role does not allow this");
  expect(one.state.reload).toHaveBeenCalledOnce();
});

test("sent to where they are already, items move to the end of the section; a copy goes under new ids", async () => {
  const one = two();
  one.send(["a"], { collection: "bog", title: "Bog", section: "s" });
  expect([one.order(), sent[0]!.action]).toEqual(["b/cdea", "placements.move"]);
  await sent[0]!.answer(200);
  one.send(["b", "c"], { collection: "fen", title: "Fen" }, true);
  expect(one.order()).toBe("b/cdea");
  const { ids, placements } = sent[1]!.input as { ids: string[]; placements: string[] };
  expect([placements, ids.length, new Set([...ids, ...placements]).size]).toEqual([["b", "c"], 2, 4]);
  await sent[1]!.answer(200, { entry: null });
  one.send(["b", "c"], { collection: "fen", title: "Fen" });
  expect([one.order(), sent[2]!.action]).toEqual(["/dea", "placements.move-many"]);
  await sent[2]!.answer(200, { entry: "2" });
  expect(shown.at(-1)!.words).toBe("Moved 2 items in Fen.");
});

test("an address stands behind what is chosen before the server has answered, under the id it will have", async () => {
  const one = bench([["s", ["a", "b"]]], { selected: "a" });
  one.paste("https://bog.example/fire?utm_source=x#top");
  const pending = one.state.items[1]!;
  expect(pending).toMatchObject({ pending: true, section: "s", resource: { title: "bog.example/fire" } });
  expect(one.state.selected).toBe(pending.id);
  expect(sent[0]!.input).toMatchObject({ placement: pending.id, section: "s", after: "a" });
  await sent[0]!.answer(200, { item: item(pending.id, "s", pending.position, { heading: "as it came" }) });
  expect(one.state.items.map(({ heading }) => heading)).toEqual(["", "as it came", ""]);
});

test("an address that cannot be taken leaves nothing behind, and is said with what was pasted", async () => {
  const one = two();
  one.paste("bog.example");
  await sent[0]!.answer(422, {
    detail: "x",
    errors: [{ pointer: "#/address", detail: "This is not a web address." }],
  });
  expect(one.order()).toBe("ab/cde");
  expect(shown.at(-1)!.words).toBe("This is not a web address. You pasted “bog.example”.");
});

test("what the team has already is offered, not placed twice", async () => {
  const one = two();
  one.paste("https://bog.example/fire");
  await sent[0]!.answer(200, {
    already: true,
    resource: { ...resource("x"), address: "https://bog.example/fire" },
    places: [{ title: "Fires" }],
  });
  expect(one.order()).toBe("ab/cde");
  expect(shown.at(-1)).toMatchObject({
    words: "You have this already: Page x",
    more: {
      description: "It stands in Fires.",
      action: { label: "Place it here" },
      cancel: { label: "Keep it apart" },
    },
  });
  (shown.at(-1)!.more!.action as { onClick: () => void }).onClick();
  expect(sent[1]).toMatchObject({ action: "placements.add", input: { resource: "page x" } });
  expect(one.state.items.map((other) => other.resource.id)).toContain("page x");
  await sent[1]!.answer(403, { detail: "no" });
  expect(one.order()).toBe("ab/cde");
});

test("a note whose event came before its answer stands once", async () => {
  const one = two();
  one.note("Mind the dam");
  const made = item(sent[0]!.input.placement as string, "s", "z");
  one.state.change((items) => [...items, made]);
  await sent[0]!.answer(200, { item: made });
  expect(one.state.items.filter(({ id }) => id === made.id)).toHaveLength(1);
});

test("tags are put on and off every chosen page once, however they are written, and show at once", async () => {
  const one = two();
  one.state.items[0]!.resource = resource("a", { tags: ["Peat", "fire"] });
  one.state.items[1]!.resource = one.state.items[0]!.resource;
  void one.tag(["a", "b", "c"], ["peat", "dam"], ["FIRE"]);
  expect(one.state.items.slice(0, 3).map(({ resource }) => resource.tags)).toEqual([
    ["Peat", "dam"],
    ["Peat", "dam"],
    ["peat", "dam"],
  ]);
  expect(sent[0]!.input.resources).toEqual(["page a", "page c"]);
  await one.retag(one.state.items[0]!, ["Peat", "dam"]);
  expect(sent).toHaveLength(1);
});

test("words that were refused stay with who wrote them; the list shows again what is", async () => {
  const one = two();
  const edit = one.edit("a", "context", "Only page 3", [""]);
  expect(one.state.items[0]!.context).toBe("Only page 3");
  const refused = expect(edit).rejects.toThrow("There is nothing here");
  await sent[0]!.answer(404, { detail: "There is nothing here" });
  await refused;
  expect(one.state.renew).toHaveBeenCalledWith(["a"], []);
});

test("what somebody else wrote meanwhile stands with what one wrote, unless one has written on", async () => {
  const one = two();
  void one.edit("a", "context", "Only page 3", [""]);
  await sent[0]!.answer(200, { placement: { context: "Read it. Only page 3" } });
  expect(one.state.items[0]!.context).toBe("Read it. Only page 3");
  void one.edit("b", "context", "Only page 3", [""]);
  void one.edit("b", "context", "Only page 3 and 4", ["Only page 3", ""]);
  await sent[1]!.answer(200, { placement: { context: "Read it. Only page 3" } });
  expect(one.state.items[1]!.context).toBe("Only page 3 and 4");
});

test("from line to line: the next item in the order shown, over texts and sections, until the last", () => {
  const one = bench([
    [null, ["a", "b"]],
    ["s", ["c"]],
  ]);
  one.state.items[1]!.look = "text";
  one.write("a");
  expect(one.state.write).toHaveBeenLastCalledWith("a");
  one.writeNext("a");
  expect(one.state.write).toHaveBeenLastCalledWith("c");
  expect(one.state.selected).toBe("c");
  vi.stubGlobal("document", { querySelector: () => null, activeElement: null });
  vi.stubGlobal("requestAnimationFrame", () => 0);
  one.writeNext("c");
  expect(one.state.write).toHaveBeenCalledTimes(2);
  expect(one.state.written).toHaveBeenLastCalledWith("c");
});
