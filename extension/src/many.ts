import { call, newId, type Pairing, type Problem, stored } from "./api";
import { seeLinks } from "./in-page";
import { el, show } from "./parts";
import { type Place, recentPlaces } from "./saving";

/** Several at once as a checklist: the tabs of the window, or the links of a page. */

type Entry = { address: string; text: string; ticked: boolean };

const query = new URLSearchParams(location.search);
const tab = Number(query.get("tab"));
const mode = query.get("mode") === "tabs" ? "tabs" : "links";
const pairing = (await stored<Pairing>("pairing"))!;

const entries: Entry[] =
  mode === "links"
    ? await chrome.scripting.executeScript({ target: { tabId: tab }, func: seeLinks }).then(
        ([answer]) =>
          answer!.result!.map((link) => ({ address: link.address, text: link.text, ticked: link.main })),
        () => [],
      )
    : (await chrome.tabs.query({ currentWindow: true }))
        .filter((one) => /^https?:/.test(one.url ?? ""))
        .map((one) => ({ address: one.url!, text: one.title ?? "", ticked: true }));

const [last] = await recentPlaces();
const place: Place = last ?? (await firstTray());
draw();

async function firstTray(): Promise<Place> {
  const { teams } = await call<{ teams: { id: string; name: string; role: string }[] }>(
    pairing,
    "teams.read",
    {},
  );
  const team = teams.find((one) => one.role !== "viewer")!;
  return { team: team.id, title: `Tray of ${team.name}` };
}

function draw(): void {
  const list = el("ul", { class: "list long", "aria-label": mode === "tabs" ? "Tabs" : "Links" });
  const said = el("p", { role: "status", class: "quiet" });
  const bar = el("progress", { max: "1", value: "0", hidden: true, "aria-label": "Progress" });
  const button = el("button", { type: "submit", class: "accent" });
  const filter = el("input", {
    type: "search",
    "aria-label": "Narrow the list",
    placeholder: "Narrow the list",
  });
  const rows = entries.map((entry) => {
    const box = el("input", { type: "checkbox", change: () => ((entry.ticked = box.checked), count()) });
    box.checked = entry.ticked;
    const outcome = el("small", {});
    const row = el(
      "li",
      {},
      el(
        "label",
        { class: "check" },
        box,
        el("span", {}, entry.text || entry.address, el("br"), el("small", {}, entry.address), " ", outcome),
      ),
    );
    return { entry, row, box, outcome };
  });
  const shown = () => rows.filter(({ row }) => !row.hidden);
  const count = () => {
    const n = entries.filter((entry) => entry.ticked).length;
    button.textContent = `Bring in ${n}`;
    button.disabled = n === 0;
  };
  filter.addEventListener("input", () => {
    const key = filter.value.toLowerCase();
    for (const { entry, row } of rows)
      row.hidden = !`${entry.text} ${entry.address}`.toLowerCase().includes(key);
  });
  const tick = (yes: boolean) => () => {
    for (const { entry, box } of shown()) entry.ticked = box.checked = yes;
    count();
  };
  const bring = async (event: Event) => {
    event.preventDefault();
    button.disabled = true;
    bar.hidden = false;
    const chosen = rows.filter(({ entry }) => entry.ticked);
    try {
      await bringIn(
        chosen.map(({ entry }) => entry),
        (done, outcomes) => {
          bar.max = chosen.length;
          bar.value = done;
          said.textContent = `${done} of ${chosen.length}`;
          outcomes.forEach((became, i) => {
            if (became) chosen[i]!.outcome.textContent = `· ${OUTCOMES[became] ?? became}`;
          });
        },
      );
      said.textContent = `Done: they stand in ${place.title}.`;
    } catch (error) {
      said.className = "stop";
      said.textContent = (error as Problem).words ?? "This could not be done.";
      button.disabled = false;
    }
  };
  list.append(...rows.map(({ row }) => row));
  show(
    el("h1", {}, mode === "tabs" ? "Tabs of this window" : "Links of the page"),
    entries.length
      ? el(
          "form",
          { submit: bring },
          el(
            "div",
            { class: "row" },
            filter,
            el("button", { type: "button", class: "plain", click: tick(true) }, "Tick all shown"),
            el("button", { type: "button", class: "plain", click: tick(false) }, "Untick all shown"),
          ),
          list,
          bar,
          el(
            "div",
            { class: "row" },
            said,
            el("span", { class: "quiet end" }, `They go to ${place.title}`),
            button,
          ),
        )
      : el("p", {}, "There is nothing here that could be brought in."),
  );
  count();
}

const OUTCOMES: Record<string, string> = {
  made: "new",
  placed: "placed again",
  here: "here already",
  rejected: "no web address",
};

/** Sends the list as one import and follows it to its end. */
async function bringIn(
  chosen: Entry[],
  onProgress: (done: number, outcomes: (string | null)[]) => void,
): Promise<void> {
  const intake = newId();
  const { team, collection, section } = place;
  await call(pairing, "imports.stage", {
    team,
    import: intake,
    name: mode === "tabs" ? "Tabs of a window" : "Links of a page",
    separator: "none",
    places: [],
    total: chosen.length,
    ...(collection && { into: collection }),
    ...(section && { section }),
  });
  for (let at = 0; at < chosen.length; at += 1000)
    await call(pairing, "imports.add-lines", {
      import: intake,
      no: at / 1000,
      lines: chosen.slice(at, at + 1000).map(({ address, text }) => ({ address, title: text, place: null })),
    });
  await call(pairing, "imports.set", { import: intake, transition: "start" });
  for (;;) {
    const answer = await call<{
      import: { state: string; done: number };
      lines: { became: string | null }[];
    }>(pairing, "imports.read", { import: intake });
    onProgress(
      answer.import.done,
      answer.lines.map((line) => line.became),
    );
    if (answer.import.state !== "running") return;
    await new Promise((resolve) => setTimeout(resolve, 300));
  }
}
