import { KIND_WORDS } from "../look/kind-words";
import { html, Markup } from "../publish/html";
import { readerFonts } from "../publish/reader-style";
import type { Kind } from "../page/facts";
import { clockOf, sayTime } from "./clock";
import { saySum } from "./say-sum";

export type LessonPlan = {
  title: string;
  aim: string;
  teamName: string;
  /** How many minutes there are; null: nobody has said. */
  time: number | null;
  phases: {
    id: string;
    title: string;
    minutes: number | null;
    teacher: string;
    learners: string;
    items: {
      id: string;
      title: string;
      context: string;
      kind: Kind;
      minutes: number | null;
      forReaders: boolean;
    }[];
  }[];
};

const STYLE = `
*{box-sizing:border-box}body{margin:0;color:#111;background:#fff;font:400 9.5pt/1.32 "Atkinson Hyperlegible Next",system-ui,sans-serif;overflow-wrap:anywhere}
main{max-width:270mm;margin:0 auto;padding:8mm 5mm}h1{font:650 19pt/1.2 Literata,Georgia,serif;margin:0}.aim{font-family:Literata,Georgia,serif;font-size:11pt;line-height:1.35;margin:1mm 0 0}.sub{font-size:9.5pt;color:#444;margin:1mm 0 4mm}
table{border-collapse:collapse;width:100%;table-layout:fixed}th,td{text-align:left;vertical-align:top;padding:1.4mm 2mm;border:.2mm solid #999}thead th{font-size:9pt;background:#eee}tr{break-inside:avoid}
col.t{width:27mm}col.w{width:34mm}.time{font-variant-numeric:tabular-nums;font-weight:700;white-space:nowrap}.time small{display:block;font-weight:400;color:#444}p{margin:0;white-space:pre-line}td p+p{margin-top:1mm}.m b{display:block}
form{display:flex;flex-wrap:wrap;gap:.5rem 1.25rem;align-items:center;padding:.75rem 5mm;background:#f1f3ef;border-bottom:1px solid #cfd6d0}form a{color:#0b5563}form button{font:inherit;font-weight:650;padding:.5rem 1rem;color:#fff;background:#0b5563;border:0;border-radius:6px;cursor:pointer}label{display:inline-flex;gap:.4rem;align-items:center}form input{font:inherit;height:2rem}
@page{size:A4 landscape;margin:11mm}@media print{form{display:none}main{padding:0;max-width:none}}
@media screen and (max-width:45rem){table,tbody,tr,td,th{display:block}thead,colgroup{display:none}td[data-head]:not(:empty)::before{content:attr(data-head);display:block;font-size:9pt;color:#444}}
`.replace(/\n/g, "");

export const PLAN_SCRIPT = `(function(){var f=document.forms[0],p=f.querySelector("[data-print]");p.hidden=false;p.onclick=function(){print()};f.onchange=function(){f.submit()}})()`;

/**
 * The plan of a lesson for whoever gives it: time, what the teacher does, what learners do, material. Set for two pages of
 * paper, sideways.
 * @param begin when it begins, as 08:15; empty: the clock begins at 0
 */
export function planDocument(plan: LessonPlan, begin: string): string {
  const clock = clockOf(plan.phases, plan.time);
  return html`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${plan.title}, plan</title>
<style>${new Markup(STYLE + readerFonts("/fonts"))}</style>
</head>
<body>
<form method="get" aria-label="How it is printed"><label>It begins at <input type="time" name="at" value="${begin}"></label><noscript><button>Set it so</button></noscript><button type="button" data-print hidden>Print</button></form>
<main>
<h1>${plan.title}</h1>
${plan.aim ? html`<p class="aim">${plan.aim}</p>` : null}
<p class="sub">${plan.teamName} · ${saySum(clock)}</p>
<table><colgroup><col class="t"><col class="w"><col><col><col></colgroup><thead><tr><th scope="col">Time</th><th scope="col">Phase</th><th scope="col">The teacher</th><th scope="col">Learners</th><th scope="col">Material</th></tr></thead><tbody>${clock.phases.map(
    (phase) =>
      html`<tr><td class="time">${sayTime(begin, phase.from)}–${sayTime(begin, phase.to)}<small>${phase.minutes === null ? "no time given" : `${phase.minutes} min`}</small></td><th scope="row">${phase.title}</th><td data-head="The teacher">${phase.teacher ? html`<p>${phase.teacher}</p>` : null}</td><td data-head="Learners">${phase.learners ? html`<p>${phase.learners}</p>` : null}</td><td class="m" data-head="Material">${phase.items.map((item) => html`<p><b>${item.title}</b>${KIND_WORDS[item.kind]}${item.minutes ? `, ${item.minutes} min` : null}${item.forReaders ? null : ", yours alone"}</p>`)}</td></tr>
`,
  )}</tbody></table>
</main>
<script>${new Markup(PLAN_SCRIPT)}</script>
</body>
</html>
`.text;
}
