import nodemailer from "nodemailer";

export type Newsletter = {
  id: string;
  list: string;
  from: string;
  subject: string;
  date: string;
  html: string;
  attachment?: string;
};

const at = (site: string, path: string, title: string) =>
  `<a href="http://${site}.localhost:4801/${path}?utm_source=letter&amp;utm_medium=email">${title}</a>`;
/** What newsletters carry besides their matter: a counting pixel, a picture from afar, the way out of the list. */
const around = (host: string, body: string) => `<html><head><style>p{color:#333}</style></head><body>
<p style="font-size:11px"><a href="http://${host}/view-in-browser/77">View in browser</a></p>
<img src="http://${host}/banner.png" alt="Banner" width="600">${body}
<p style="font-size:11px"><a href="http://${host}/unsubscribe?u=77">Unsubscribe</a> <a href="http://${host}/preferences">Preferences</a></p>
<img src="http://${host}/open.gif?u=77" width="1" height="1" alt=""></body></html>`;

/** Newsletters of the made-up world, as lists send them. */
export const NEWSLETTERS: Newsletter[] = [
  {
    id: "peat-weekly",
    list: "The Peat Weekly <weekly.peat-notebook.localhost>",
    from: "The Peat Weekly <weekly@peat-notebook.localhost>",
    subject: "The Peat Weekly: carbon, crane flies, and a wet spring",
    date: "2026-03-06T07:00:00Z",
    html: around(
      "peat-notebook.localhost:4801",
      `<h1>Carbon, crane flies, and a wet spring</h1>
<p>Good morning. The gauges at Lantern Moss stood at four centimetres below the surface on Tuesday, the highest since the boards went in.</p>
<h2>Worth reading</h2>
<ul><li>${at("peat-notebook", "wet-bog-carbon", "Why a wet bog keeps its carbon")}: the short version, for Year 10.</li>
<li>${at("bog-journal", "2024/methane-review", "Methane from rewetted ground: a review")}. Long, and worth the second table.</li></ul>
<h2>Worth watching</h2><p>${at("mosskey", "sundew", "The round-leaved sundew")} in slow motion.</p>
<p>Until next week. Keep your boots dry; you will not manage it.</p>`,
    ),
  },
  {
    id: "library-notes",
    list: "Heath Library notes <notes.heath-library.localhost>",
    from: "Heath Library <notes@heath-library.localhost>",
    subject: "New on the shelves: diaries and maps",
    date: "2026-02-27T09:30:00Z",
    html: around(
      "heath-library.localhost:4801",
      `<h1>New on the shelves</h1><p>Two donations came in this month. The first is the ${at("heath-library", "catalogue/peat-diary", "diary of a peat cutter, 1887")}, now scanned whole. The second is a box of maps of the drains as they were cut, with the levels in pencil.</p><p>Readers may look at both on Thursdays between two and five; bring no ink.</p>`,
    ),
    attachment: "Drain levels, 1911.csv",
  },
  {
    id: "station-round",
    list: "",
    from: "Bett Quayle <bett@lantern.example>",
    subject: "Dipwell round on Monday",
    date: "2026-03-02T16:20:00Z",
    html: "<p>Meeting at the hide at nine. Wells 4 to 9 first, since the wind turns in the afternoon. The spare logger is with Jonas.</p>",
  },
];

/** The newsletter as its sender's server made it, as bytes of a message. */
export async function original(letter: Newsletter, web: number): Promise<Buffer> {
  const built = await nodemailer.createTransport({ streamTransport: true, buffer: true }).sendMail({
    from: letter.from,
    to: "readers@lantern.example",
    subject: letter.subject,
    date: new Date(letter.date),
    messageId: `<${letter.id}@list.example>`,
    ...(letter.list && { headers: { "List-Id": letter.list } }),
    html: letter.html.replace(/localhost:4801/g, `localhost:${web}`),
    ...(letter.attachment && {
      attachments: [
        { filename: letter.attachment, content: "well,level\n1,12\n2,9\n", contentType: "text/csv" },
      ],
    }),
  });
  return built.message as Buffer;
}

const esc = (text: string) => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/"/g, "&quot;");

/** A page with the newsletters and a form to forward one of them. */
export function newslettersPage(said: string): string {
  return `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>Newsletters to forward</title><style>body{font:16px/1.5 system-ui;max-width:44rem;margin:2rem auto;padding:0 1rem}label{display:block;margin:.6rem 0}input,select{font:inherit;width:100%;padding:.3rem}</style><h1>Newsletters to forward</h1><p>Forward one to your own address at Hobbin: Account, then Mail.</p>${said ? `<p role="status"><b>${esc(said)}</b></p>` : ""}<form method="post" action="/forward"><label>Newsletter<select name="which">${NEWSLETTERS.map((one) => `<option value="${one.id}">${esc(one.subject)}</option>`).join("")}</select></label><label>From<input name="from" value="ama@lantern.example"></label><label>To<input name="to" required></label><button>Forward it</button></form>`;
}
