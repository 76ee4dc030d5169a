import { call, type Pairing, type Problem, store, stored } from "./api";
import { seePage, seePairing, type Seen } from "./in-page";
import { combobox, el, type Option, show } from "./parts";
import { keepForMarks, pairedForMarks } from "./marking";
import { marksHere } from "./marks-line";
import { know, type Known, placesFor } from "./places";
import { type Place, recentPlaces, save, type Wish } from "./saving";

/** The small window: what is saved, where it goes, its tags and note. Enter saves. */

// Tests open this page beside the one it is about.
const wanted = new URLSearchParams(location.search).get("tab");
const [active] = wanted
  ? [{ id: Number(wanted) } as chrome.tabs.Tab]
  : await chrome.tabs.query({ active: true, currentWindow: true });
const tab = active!.id!;

const inTab = async <T>(func: () => T): Promise<T | null> =>
  chrome.scripting.executeScript({ target: { tabId: tab }, func }).then(
    ([answer]) => answer!.result as T,
    () => null,
  );

const pairing = await stored<Pairing>("pairing");
const offer = await inTab(seePairing);
// An offer on Hobbin's own page is taken; of the kind that is held already only where there is none.
if (pairing && !offer?.marks) await main(pairing);
else await pair();

async function pair(): Promise<void> {
  if (!offer)
    return show(
      el("h1", {}, "Not paired yet"),
      el("p", {}, "Open Hobbin, go to Account, press “Pair this browser”, and then this button again."),
      el(
        "p",
        { class: "quiet" },
        "The extension sends only what you save: the page’s address, title and visible text. It looks at no page before you press it.",
      ),
      // Paired for marks alone, it shows marks.
      await marksAlone(),
    );
  try {
    const answer = await fetch(`${offer.address}/api/actions/tokens.pair`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      credentials: "omit",
      body: JSON.stringify({
        code: offer.code,
        name: `Extension in ${navigator.userAgent.includes("Firefox") ? "Firefox" : "Chromium"}`,
      }),
    });
    const said = (await answer.json()) as { token?: string; person?: string; detail?: string };
    if (!said.token) throw new Error(said.detail);
    const paired = { address: offer.address, token: said.token, person: said.person ?? "" };
    await (offer.marks ? keepForMarks(paired) : store({ pairing: paired }));
    show(
      el("h1", {}, `Paired with ${said.person}${offer.marks ? ", for marks" : ""}`),
      el(
        "p",
        { role: "status" },
        offer.marks
          ? "Press this button on any page, then “Marks of this page”."
          : "Press this button on any page to save it.",
      ),
      await keys(),
    );
  } catch (error) {
    show(
      el("h1", {}, "This did not work"),
      el("p", { class: "stop" }, error instanceof Error ? error.message : "Try again."),
    );
  }
}

/** The keys as they are in this browser: whoever has changed them reads their own. */
async function keys(): Promise<HTMLElement | null> {
  const all = await chrome.commands.getAll();
  const keyOf = (name: string) => all.find((one) => one.name === name)?.shortcut;
  const [window, atOnce, marks] = [keyOf("_execute_action"), keyOf("save-at-once"), keyOf("show-marks")];
  const said = [
    window && `${window} opens this window`,
    atOnce && `${atOnce} saves at once`,
    marks && (await pairedForMarks()) && `${marks} marks`,
  ];
  const words = said.filter(Boolean).join(", ");
  return words ? el("p", { class: "quiet" }, `${words}.`) : null;
}

async function main(paired: Pairing): Promise<void> {
  void chrome.runtime.sendMessage({ what: "flush" }).catch(() => undefined);
  const [page, cached, recent, recentTags] = await Promise.all([
    inTab(seePage),
    stored<Known>("known"),
    recentPlaces(),
    stored<string[]>("recentTags"),
  ]);
  let known = cached ?? { teams: [], tree: [], tags: [] };
  const fresh = know(paired).then(
    (found) => ((known = found), null),
    (error: Problem) => error,
  );
  void fresh.then((problem) => (problem?.status === 401 ? forget() : undefined));
  // What was known last time is shown at once.
  if (!known.teams.length) {
    const problem = await fresh;
    if (problem?.status === 401) return;
    if (!known.teams.length)
      return show(
        el("h1", {}, "Nothing can be saved just now"),
        el("p", { role: "status" }, problem?.words ?? "In none of your teams you may bring things in."),
      );
  }
  if (!page)
    return show(
      el("h1", {}, "This page cannot be saved"),
      el("p", {}, "Extensions may not read the browser’s own pages. Open a page of the web."),
      many(),
    );
  form(paired, page, () => known, recent, recentTags ?? []);
  const { known: there } = await call<{ known: (string | null)[] }>(paired, "resources.known", {
    team: recent[0]?.team ?? known.teams[0]!.id,
    addresses: [page.address],
  }).catch(() => ({ known: [null] }));
  const said = document.getElementById("said");
  // Unless it is being saved by now.
  if (there[0] && said && !said.textContent)
    said.textContent = "In the catalogue already. Saving places it again.";
}

async function forget(): Promise<void> {
  await chrome.storage.local.remove("pairing");
  show(
    el("h1", {}, "Not paired any more"),
    el("p", {}, "The pairing was revoked on the Account page. Pair this browser again there."),
  );
}

function form(paired: Pairing, page: Seen, known: () => Known, recent: Place[], recentTags: string[]): void {
  const firstTeam = known().teams[0]!;
  let place: Place = recent[0] ?? { team: firstTeam.id, title: `Tray of ${firstTeam.name}` };
  let picture = "";
  let what: Wish["what"] = page.selection ? "passage" : "page";
  const tags = new Set<string>();
  /** The collection whose inside the list of places shows; null: the top. */
  let inside: string | null = null;

  const title = el("input", { type: "text", id: "title", "aria-label": "Title" });
  title.value = page.title;
  const description = el("textarea", { "aria-label": "Description", rows: "2" });
  description.value = page.description;
  const note = el("textarea", { "aria-label": "Note", rows: "1" });
  const chosen = el("b", {});
  const said = el("p", { id: "said", role: "status", class: "quiet" });
  const tagList = el("span", { class: "quiet" });
  const button = el("button", { type: "submit", class: "accent" }, "Save");

  const drawTags = () => {
    tagList.replaceChildren(
      ...[...tags].map((tag) =>
        el(
          "button",
          {
            type: "button",
            class: "plain",
            "aria-label": `Take off ${tag}`,
            click: () => (tags.delete(tag), drawTags()),
          },
          `${tag} ×`,
        ),
      ),
    );
  };
  const setPlace = (next: Place) => {
    place = next;
    chosen.textContent = next.title;
  };
  const goTo = combobox({
    label: "Where it goes",
    open: true,
    find: (typed) => placesFor(typed, known(), recent, inside),
    into: (option) => (inside = (JSON.parse(option.key) as Place).collection ?? null),
    out: () => {
      if (!inside) return false;
      inside = known().tree.find((one) => one.id === inside)?.parent ?? null;
      return true;
    },
    onTake: (option) => void take(option),
  });
  const take = async (option: Option) => {
    const next = JSON.parse(option.key) as Place;
    setPlace(next);
    tagField.input.focus();
    if (next.collection && !next.section) await offerSections(next);
    else sections.replaceChildren();
  };
  const sections = el("div", { class: "row" });
  const offerSections = async (of: Place) => {
    const { sections: found } = await call<{ sections: { id: string; title: string }[] }>(
      paired,
      "collections.sections",
      { collection: of.collection },
    ).catch(() => ({ sections: [] }));
    sections.replaceChildren(
      ...found.map((section) =>
        el(
          "button",
          {
            type: "button",
            class: "plain",
            click: () => setPlace({ ...of, section: section.id, title: `${of.title}, ${section.title}` }),
          },
          section.title,
        ),
      ),
    );
  };
  const tagField = combobox({
    label: "Tags",
    find: (typed) => {
      const key = typed.toLowerCase();
      const pool = [...new Set([...recentTags, ...known().tags])].filter((tag) => !tags.has(tag));
      return (
        key
          ? pool.filter((tag) =>
              tag
                .toLowerCase()
                .split(/\s+/)
                .some((word, i, all) => all.slice(i).join(" ").startsWith(key)),
            )
          : recentTags.filter((tag) => !tags.has(tag))
      )
        .slice(0, 6)
        .map((tag) => ({ key: tag, words: tag }));
    },
    onTake: (option) => (tags.add(option.words), drawTags()),
    free: (typed) => (tags.add(typed), drawTags()),
  });
  const kinds = (
    [
      ["page", "The page"],
      ...(page.selection ? [["passage", "The passage I selected"] as const] : []),
      ["file", "A picture of what I see"],
    ] as const
  ).map(([value, words]) =>
    el(
      "label",
      { class: "check" },
      el("input", {
        type: "radio",
        name: "what",
        value,
        ...(value === what && { checked: true }),
        change: () => (what = value),
      }),
      words,
    ),
  );
  setPlace(place);
  const saved = async (event: Event) => {
    event.preventDefault();
    if (tagField.input.value.trim()) tags.add(tagField.input.value.trim());
    button.disabled = true;
    said.className = "quiet";
    said.textContent = "Saving …";
    const begun = performance.now();
    try {
      const data = what === "file" ? await chrome.tabs.captureVisibleTab({ format: "png" }) : undefined;
      const done = await save(paired, {
        what,
        place,
        title: title.value.trim() || page.title,
        address: page.address,
        description: description.value.trim(),
        html: page.html,
        ...(picture && { picture }),
        tags: [...tags],
        note: note.value.trim(),
        selection: page.selection,
        ...(data && { data }),
      });
      await store({ recentTags: [...new Set([...tags, ...recentTags])].slice(0, 12) });
      said.dataset.took = String(Math.round(performance.now() - begun));
      said.textContent = done.waits
        ? `No connection. It goes to ${place.title} as soon as there is one.`
        : `Saved to ${place.title}.${done.already && done.places.length ? ` It also stands in ${done.places.join(", ")}.` : ""}`;
      button.textContent = "Saved";
      if (!wanted) setTimeout(() => window.close(), 1200);
    } catch (error) {
      said.className = "stop";
      said.textContent = (error as Problem).words ?? "This could not be saved.";
      button.disabled = false;
    }
  };
  // What comes later (sections, a word that it is here already) moves nothing: the button has a place of its own.
  show(
    el(
      "form",
      { submit: saved, class: "saving" },
      el(
        "div",
        { class: "fields" },
        el("label", {}, "Title", title),
        el("div", { class: "row" }, ...kinds),
        page.pictures.length > 1
          ? el(
              "div",
              { class: "pictures", role: "group", "aria-label": "Pictures of the page" },
              ...page.pictures.map((address, i) => pictureButton(address, i)),
            )
          : null,
        el("label", {}, "Description", description),
        goTo.element,
        el("p", { class: "quiet" }, "It goes to ", chosen),
        sections,
        tagField.element,
        tagList,
        el("label", {}, "Note", note),
      ),
      el("div", { class: "row foot" }, said, button),
    ),
    many(),
  );
  void Promise.all([marksHere(tab, page.address, !wanted), keys()]).then((lines) =>
    document.getElementById("main")!.append(...lines.filter((line) => line !== null)),
  );
  title.addEventListener(
    "keydown",
    (event) => event.key === "Enter" && (event.preventDefault(), title.form!.requestSubmit()),
  );
  note.addEventListener(
    "keydown",
    (event) =>
      event.key === "Enter" && !event.shiftKey && (event.preventDefault(), note.form!.requestSubmit()),
  );
  goTo.input.addEventListener(
    "keydown",
    (event) =>
      event.key === "Enter" &&
      !event.defaultPrevented &&
      !goTo.input.value &&
      (event.preventDefault(), title.form!.requestSubmit()),
  );
  goTo.input.focus();

  function pictureButton(address: string, i: number): HTMLElement {
    const one = el(
      "button",
      { type: "button", "aria-pressed": "false", "aria-label": `Picture ${i + 1}` },
      el("img", { src: address, alt: "" }),
    );
    one.addEventListener("click", () => {
      picture = picture === address ? "" : address;
      for (const other of document.querySelectorAll<HTMLElement>(".pictures button"))
        other.setAttribute("aria-pressed", String(other === one && picture === address));
    });
    return one;
  }
}

async function marksAlone(): Promise<HTMLElement | null> {
  const address = await inTab(() => location.href);
  return address && (await pairedForMarks()) ? marksHere(tab, address, !wanted) : null;
}

function many(): HTMLElement {
  const open = (mode: string) =>
    chrome.tabs.create({ url: chrome.runtime.getURL(`many.html?mode=${mode}&tab=${tab}`) });
  return el(
    "div",
    { class: "row many" },
    el("button", { type: "button", class: "plain", click: () => void open("links") }, "Links of this page …"),
    // Reading the addresses of other tabs is a permission of its own, asked for only here.
    el(
      "button",
      {
        type: "button",
        class: "plain",
        click: () =>
          void chrome.permissions
            .request({ permissions: ["tabs"] })
            .then((yes) => (yes ? open("tabs") : undefined)),
      },
      "Tabs of this window …",
    ),
  );
}
