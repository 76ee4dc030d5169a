import { tokenStyles } from "../look/colours";
import ranges from "./letter-ranges.json" with { type: "json" };
import { WAITING, waitingFaces } from "./waiting-letters";

/** The whole style of the reader's page: tokens, one column, rows or cards, paper. */
export const READER_STYLE =
  tokenStyles() +
  `
*{box-sizing:border-box}
:root{--serif:Literata,${WAITING.serif.join(",")},Georgia,serif;--sans:"Atkinson Hyperlegible Next",${WAITING.sans.join(",")},system-ui,sans-serif}
html{-webkit-text-size-adjust:100%}
body{margin:0;background:var(--sheet);color:var(--ink);font:400 1rem/1.5 var(--sans);overflow-wrap:break-word}
main{max-width:46.5rem;margin:0 auto;padding:2.25rem 1rem 4rem}
.course{display:flex;gap:6px;list-style:none;margin:0;padding:0;font-size:.875rem}.course li{min-width:0;overflow:hidden;white-space:nowrap}.course a{color:var(--quiet);text-decoration:none}.course span{display:block;overflow:hidden;text-overflow:ellipsis;margin-top:.2rem}.course a:hover span{text-decoration:underline}
:is(.up,.on,.facts,.contents,.inside,.edition) :is(a,b,span){overflow-wrap:anywhere}.up{display:flex;flex-wrap:wrap;gap:.1rem .5rem;font-size:.9375rem;margin:0 0 .75rem}.up a{color:var(--accent);text-underline-offset:3px;padding:.25rem 0}.up a:not(:last-child)::after{content:"›";display:inline-block;color:var(--quiet);padding-left:.5rem;text-decoration:none}
.inside ul{list-style:none;margin:0;padding:0}.inside li{display:grid;grid-template-columns:6rem minmax(0,1fr);gap:0 1rem;align-items:center;padding:.6rem 0;border-bottom:1px solid var(--line)}.inside li li:last-child{border-bottom:0;padding-bottom:0}.inside ul ul{grid-column:1/-1;margin:.6rem 0 0 1.25rem}.inside li:has(>ul){padding-bottom:.6rem}.scrap{height:2rem;border-radius:4px;overflow:hidden;background:var(--sunk)}.scrap svg{display:block;width:100%;height:100%}.inside a{color:var(--accent);font-weight:650;text-underline-offset:3px;text-decoration-thickness:1px}.inside small{display:block;font-size:.875rem;color:var(--quiet)}
.on{display:flex;justify-content:space-between;gap:1rem;margin-top:2.5rem}.on a{max-width:48%;color:var(--accent);font-weight:650;text-underline-offset:3px;text-decoration-thickness:1px;border:1px solid var(--edge);border-radius:6px;padding:.6rem .9rem}.on a:last-child{text-align:right;margin-left:auto}.on small{display:block;font-weight:400;color:var(--quiet)}.on a{text-decoration:none}.on a:hover b{text-decoration:underline}.on b{display:block;font-weight:650}
.cloth{height:56px;border-radius:6px;overflow:hidden}.cloth svg{display:block;width:100%;height:100%}
h1,.lead,.say{font-family:var(--serif)}
h1{font-size:clamp(1.7rem,5vw,2.25rem);line-height:1.2;margin:1.25rem 0 .5rem;font-weight:650;text-wrap:balance}
.lead{font-size:1.2rem;color:var(--quiet);margin:0 0 .75rem;white-space:pre-line}
.facts,.bar,.tools{display:flex;flex-wrap:wrap;gap:.25rem 1rem;align-items:center;font-size:.875rem;color:var(--quiet);margin:0}
[hidden]{display:none!important}.js:not(.ready) :is([data-one],.play){display:inline-block!important}.js:not(.ready) .comfort{display:block!important}.js:not(.ready) .narrow{display:flex!important}.js:not(.ready) :is(.no+div,.table .item td:last-child)::after{content:"";display:block;height:1.5rem;margin-top:.6rem;clear:both}.tools{position:relative;justify-content:space-between;margin-top:.35rem}.facts [data-left]{color:var(--ink);font-weight:650}.facts [data-left]:empty{display:none}
.comfort{position:relative}.comfort summary{color:var(--accent);cursor:pointer;padding:.4rem .1rem;text-decoration:underline;text-underline-offset:3px;list-style:none}.comfort summary::-webkit-details-marker{display:none}.comfort form{position:absolute;right:0;z-index:2;width:min(20rem,88vw);background:var(--sheet);border:1px solid var(--edge);border-radius:6px;padding:.75rem 1rem;box-shadow:0 8px 24px rgb(10 20 18/.18)}
.comfort fieldset{border:0;margin:0 0 .5rem;padding:0;display:flex;flex-wrap:wrap;gap:.25rem .9rem}.comfort legend{font-weight:650;color:var(--ink);padding:0}.comfort label{display:inline-flex;align-items:center;gap:.35rem;min-height:1.75rem}.comfort input,.done input{width:1.5rem;height:1.5rem;accent-color:var(--accent);margin:0}
.contents{margin-top:1rem;font-size:.9375rem}.contents ol{display:flex;flex-wrap:wrap;gap:.1rem 1.25rem}.contents a{color:var(--accent);text-underline-offset:3px;text-decoration-thickness:1px;display:inline-block;padding:.25rem 0}.contents small{color:var(--quiet)}
.narrow{display:flex;flex-wrap:wrap;gap:.4rem .75rem;align-items:center;margin-top:1rem;font-size:.9375rem}.narrow label{display:flex;align-items:center;gap:.4rem}.narrow label span{color:var(--quiet)}.narrow input,.narrow select{font:inherit;color:var(--ink);background:var(--sheet);border:1px solid var(--edge);border-radius:6px;height:2.25rem;padding:0 .6rem;max-width:12rem}.narrow output{color:var(--quiet)}
.done{align-items:center;gap:.5rem;display:flex;width:fit-content;margin-top:.6rem;clear:both;font-size:.875rem;color:var(--quiet);cursor:pointer}.is-done .say,.is-done .what{opacity:.72}.asked{background:var(--accent-wash);box-shadow:0 0 0 .5rem var(--accent-wash)}
.do{margin:.6rem 0 0;max-width:40rem;white-space:pre-line;font-family:var(--serif);font-size:1.1rem;line-height:1.45;border-left:3px solid var(--accent);padding-left:.9rem}.join{margin:.6rem 0 0}.join a{display:inline-block;color:var(--accent);font-weight:650;border:1px solid var(--edge);border-radius:6px;padding:.6rem .9rem;text-decoration:none}.join a:hover{background:var(--accent-wash)}.edition{margin:1rem 0 .25rem;padding:.7rem 0 .5rem;border-block:1px dashed var(--edge);font-size:.9375rem}.edition p{margin:0}.edition .new{margin:.25rem 0}.edition .facts{margin-top:.2rem}.edition a{padding:.25rem 0}.editions li,.changes li{padding:.75rem 0;border-bottom:1px solid var(--line)}.editions a,footer a{color:var(--accent);text-underline-offset:3px}.changes{list-style:none;margin:0;padding:0}.changes dl{margin:.4rem 0 0;font-size:.9375rem}.changes dt{color:var(--quiet);font-size:.875rem}.changes dd{margin:.1rem 0;padding-left:.9rem;border-left:3px solid var(--line);white-space:pre-line}.changes del{color:var(--quiet)}.changes dd:has(ins){border-color:var(--accent)}.changes ins{text-decoration:none}
.copy{margin:.4rem 0 0;font-size:.9375rem}.copy a,.facts a{color:var(--accent)}.copied .text{font:400 1.15rem/1.6 var(--serif);margin-top:1.5rem}.copied .text img,.copied .text video{max-width:100%;height:auto}.copied .text a{color:var(--accent)}.copied .text :is(pre,table){overflow-x:auto;max-width:100%}
.references>p{padding-left:2rem;text-indent:-2rem;margin:.6em 0}
blockquote{margin:.5rem 0 0;padding-left:.9rem;border-left:3px solid var(--accent);font-family:var(--serif)}
.large{border:0;padding:0;background:none;max-width:96vw;max-height:96vh}.large::backdrop{background:rgb(10 20 18/.85)}.large img{display:block;max-width:96vw;max-height:88vh;object-fit:contain}.large button{font:inherit;margin-top:.5rem;padding:.5rem 1rem;border:0;border-radius:6px;background:var(--sheet);color:var(--ink)}
.steps-bar{display:none}.one .steps-bar{position:fixed;inset:auto 0 0;display:flex;gap:.5rem;align-items:center;justify-content:center;background:var(--sheet);border-top:1px solid var(--line);padding:.6rem 1rem}.steps-bar button{font:650 1rem/1 var(--sans);color:var(--accent);background:var(--sheet);border:1px solid var(--edge);border-radius:6px;padding:.8rem 1.1rem;cursor:pointer}.steps-bar button:disabled{opacity:.45;cursor:default}.steps-bar output{flex:0 1 22rem;text-align:center;font-size:.9375rem;overflow:hidden;text-overflow:ellipsis;white-space:nowrap}
.one main{padding-bottom:7rem}.one .lead,.one .course,.one .cloth,.one .contents,.one .narrow,.one .inside,.one .on,.one .between,.one footer,.one .intro,.one .outcomes,.one .serves,.one h2{display:none}.one h1{font-size:1.1rem;color:var(--quiet)}.one .item:not([hidden]){display:block!important;border:0;font-size:1.1rem}.one .item .pic{float:none;width:100%;height:auto;aspect-ratio:16/9;margin-top:1rem}.one .say{font-size:clamp(1.5rem,4.5vw,2.1rem)}.one .what.large a{font-size:clamp(1.5rem,4.5vw,2.1rem)}.one .item:focus{outline:0}.one .item::before{display:none!important}.one .item td,.one .item th{display:block}
:root[data-bare] :is(.up,main>.cloth,.course,h1,.lead,.facts,.tools,footer){display:none}:root[data-bare] main{padding:.5rem 1rem}
:root[data-size=large]{font-size:118%}:root[data-size=larger]{font-size:140%}
:root[data-space=wide] body{line-height:1.8;letter-spacing:.12em;word-spacing:.16em}:root[data-space=wide] main :is(p,li,blockquote){line-height:1.8;margin-bottom:2em}
:root[data-face=plain] :is(h1,.lead,.say,.no,.between p,blockquote,.what.large a){font-family:var(--sans)}:root[data-face=serif] body{font-family:var(--serif)}
.away{margin:0 0 1rem}
.bar a,.bar button{font:inherit;color:var(--accent);background:none;border:0;padding:.4rem .1rem;cursor:pointer;text-decoration:underline;text-underline-offset:3px}
.bar [aria-current]{color:var(--ink);text-decoration:none;font-weight:650}
h2{font-size:1.1rem;margin:2.25rem 0 0;padding-bottom:.4rem;border-bottom:1px solid var(--line)}
h2 small{font-weight:400;font-size:.875rem;color:var(--quiet);margin-left:.5rem}
ol{list-style:none;margin:0;padding:0}
.item{display:grid;grid-template-columns:2rem minmax(0,1fr) 8rem;gap:0 1rem;padding:1rem 0 1.25rem;border-bottom:1px solid var(--line)}
@media screen{.rows .item{content-visibility:auto;contain-intrinsic-size:auto 9.5rem;overflow-clip-margin:1rem;scroll-margin-top:1.5rem}}@media screen and (max-width:34rem){.rows .item{contain-intrinsic-size:auto 13rem}}
.no{font:600 1.25rem/1.35 var(--serif);color:var(--accent)}
.say{font-size:1.2rem;line-height:1.35;margin:0 0 .35rem;white-space:pre-line}
.what{margin:0;font-weight:650}
.what a{color:var(--accent);text-underline-offset:3px;text-decoration-thickness:1px}
.what.large a{font:600 1.2rem/1.35 var(--serif)}
.sub{margin:.15rem 0 0;font-size:.875rem;color:var(--quiet)}
.sub a{color:inherit;text-underline-offset:3px}
.sub svg{width:.75em;height:.75em;margin-right:.4em}
.about{margin:.3rem 0 0;color:var(--quiet)}
.pic{grid-column:3;grid-row:1;width:8rem;height:4.875rem;object-fit:cover;border-radius:6px;background:var(--sunk)}.pic.top{object-position:top}
.play{font:600 .9rem/1 var(--sans);color:var(--accent);background:var(--sheet);border:1px solid var(--edge);border-radius:6px;padding:.6rem .9rem;margin:.6rem 0 0;cursor:pointer}
.play[hidden]{display:none}
.play:hover{background:var(--accent-wash)}
.stage{grid-column:1/-1;margin-top:.75rem}
.stage video,.stage iframe{width:100%;aspect-ratio:16/9;border:0;border-radius:6px;background:#000}.stage audio{width:100%}.stage.pdf iframe{aspect-ratio:auto;height:min(80vh,60rem);background:var(--sunk)}
:focus-visible{outline:3px solid var(--accent);outline-offset:2px;border-radius:3px}
.here{box-shadow:-4px 0 0 var(--accent)}
.cloth img{display:block;width:100%;height:100%;object-fit:cover}
.lead>*{margin:0 0 .4em}.intro{color:var(--quiet);margin:.5rem 0 0;max-width:40rem}.intro>*{margin:.3em 0}.serves{color:var(--quiet);font-size:.9375rem;margin:.4rem 0 0}.outcomes h2{margin-top:1.25rem;border:0;padding:0}.outcomes ul{margin:.3rem 0 0;padding-inline-start:1.2rem}.outcomes li{margin:.15rem 0}
.between{padding:1rem 0;border-bottom:1px solid var(--line);color:var(--quiet)}.between p{margin:0;max-width:40rem;white-space:pre-line;font-family:var(--serif)}.between h3{margin:0 0 .25rem;font-size:1.05rem;color:var(--ink)}
.theirs{grid-column:2/-1;clear:both;margin:.9rem 0 0;padding:.1rem 0 .1rem 1rem;border-left:3px double var(--edge)}.theirs ul{list-style:none;margin:0;padding:0}.theirs li{padding:.6rem 0}.theirs .of{margin:.8rem 0 0;color:var(--quiet)}.theirs .say{margin:0 0 .2rem;font-size:1.05rem}
.cards ol{display:grid;grid-template-columns:repeat(auto-fill,minmax(15rem,1fr));gap:1.5rem 1.25rem;padding-top:1rem}
.cards .item{display:flex;flex-direction:column;padding:0 0 .75rem}
.cards .pic,.cards .none{order:-1;width:100%;height:auto;aspect-ratio:16/9;border-radius:6px;margin-bottom:.6rem}
.cards .none{background:var(--sunk)}.cards .no{display:none}.rows .none,.steps .none,.board .none{display:none}
.cards .between{grid-column:1/-1}
main.board,main.table{max-width:76rem}
.board .parts{display:flex;gap:1.75rem;overflow-x:auto;align-items:flex-start}.board .part{flex:0 0 19rem;margin-top:1.25rem}.board h2{margin-top:.5rem;border-bottom:0}@media (max-width:40rem){.board .parts{flex-direction:column;overflow:visible}.board .part{flex:none;width:100%}}
.board ol{border-left:2px dashed var(--accent);padding-left:1.1rem}.board .item{display:block;padding:.75rem 0}.board .no{float:left;margin-right:.5rem;font-size:1rem}.board .pic{width:100%;height:auto;aspect-ratio:16/9;margin-top:.6rem}.board .say,.board .what.large a{font-size:1.05rem}
.table .wide{overflow-x:auto}.table table{border-collapse:collapse;width:100%;font-size:.95rem}.table th,.table td{text-align:left;vertical-align:top;padding:.55rem .75rem .55rem 0;border-bottom:1px solid var(--line)}.table thead th{font-size:.85rem;color:var(--quiet)}.table tr.item{display:table-row}.table tbody th{font-weight:650;min-width:10rem}.table tbody a{color:var(--accent)}
.steps .item{grid-template-columns:3.25rem minmax(0,1fr) 8rem;border-bottom:0;position:relative;padding-bottom:1.75rem}.steps .no{width:2.5rem;height:2.5rem;border:2px solid var(--accent);border-radius:50%;display:flex;align-items:center;justify-content:center;font-size:1.1rem}
.steps .item:not(:last-child)::before{content:"";position:absolute;left:calc(1.25rem - 1px);top:4rem;bottom:.25rem;width:2px;background:repeating-linear-gradient(var(--accent) 0 8px,transparent 8px 16px)}.steps .between{border:0;padding-left:4.25rem}
footer{margin-top:2.5rem;font-size:.875rem;color:var(--quiet)}
.empty{padding:2rem 0;color:var(--quiet)}
@media(max-width:34rem){main{padding-top:1rem}.comfort{position:static}.comfort form{left:0;right:0;width:auto}.table thead{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}.table :is(table,tbody,tr,td,th){display:block}.table tr.item{display:block;padding:.75rem 0;border-bottom:1px solid var(--line)}.table :is(td,tbody th){border:0!important;padding:.1rem 0!important}.table tbody th{font-size:1.05rem}.table td[data-head]:not(:empty)::before{content:attr(data-head) ": ";color:var(--quiet)}.table td[data-head="Why it stands here"]::before{display:none}.rows .item{grid-template-columns:1.6rem minmax(0,1fr) 5rem;gap:0 .6rem}.rows .pic{width:5rem;height:3.4rem}.course span{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%)}.item:has(>.none){grid-template-columns:1.6rem minmax(0,1fr) 0}.say,.what.large a{font-size:1.1rem}}
@media(prefers-reduced-motion:no-preference){.item{transition:background .2s}}
@media print{body{background:#fff;color:#000}main{max-width:none;padding:0}.tools,.narrow,.contents,.done,.on,.steps-bar,.play,.stage{display:none}.item{break-inside:avoid}.what a{color:#000}.what a::after{content:" (" attr(href) ")";font:400 .8rem/1.3 monospace;overflow-wrap:anywhere}.cloth{print-color-adjust:exact;-webkit-print-color-adjust:exact}h2{break-after:avoid}}
`
    .replace(/\n/g, "")
    .trim();

/** Each face in two files, of which a browser fetches the second only for letters that are in it. */
const FACES = [
  ["Literata", "literata"],
  ["Atkinson Hyperlegible Next", "atkinson"],
] as const;

/**
 * The page's own letters, when the application serves them.
 * @param base where the letters lie, without a slash at its end
 */
export const readerFonts = (base: string): string =>
  FACES.flatMap(([family, file]) =>
    (["latin", "more"] as const).map(
      (part) =>
        `@font-face{font-family:"${family}";src:url(${base}/${file}-${part}.woff2) format("woff2");font-weight:400 700;font-display:swap;unicode-range:${ranges[part]}}`,
    ),
  ).join("") + waitingFaces();
