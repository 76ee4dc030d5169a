import { LETTERS } from "../share/code";
import { LENGTH, LOOKS_LIKE, PRIME, type Typed } from "../share/short-code";
import { html, Markup } from "./html";
import { READER_STYLE, readerFonts } from "./reader-style";

/** What is wrong with a code, for whoever typed it. `{}` stands for what only this one has. */
const WRONG = {
  letter: `No code has “{}” in it. Its letters are 2 to 9 and ${[...LETTERS].slice(8).join(" ")}.`,
  length: `A code has ${LENGTH + 1} letters and digits; here there are {}.`,
  slip: "There is a slip in it: one letter is another, or two have changed places. Look once more.",
  nothing: "This code opens nothing. Its time may be over: ask whoever gave it to you for the new one.",
  many: "Too many codes were tried. Wait ten minutes, or use the long address.",
} as const;

/** @param typed as `readShortCode` tells it, or what came of looking for it */
export function sayWrong(typed: Exclude<Typed, { code: string }> | { wrong: "nothing" | "many" }): string {
  const about = "letter" in typed ? typed.letter : "count" in typed ? String(typed.count) : "";
  return WRONG[typed.wrong].replace("{}", about);
}

/** The same check as `readShortCode`, before the server is asked. */
export const GO_SCRIPT = `(function(){
var d=document,f=d.forms[0],i=f.code,w=d.getElementById("wrong"),L=${JSON.stringify(LETTERS)},S=${JSON.stringify(LOOKS_LIKE)},W=${JSON.stringify(WRONG)};
function wrong(t){
var c=Array.from(t.slice(0,200).normalize("NFKC").toLowerCase().replace(/[\\s\\p{Pd}._·]/gu,"")).map(function(l){return S[l]||l});
for(var n=0;n<c.length;n++)if(L.indexOf(c[n])<0)return W.letter.replace("{}",c[n]);
if(c.length!==${LENGTH + 1})return W.length.replace("{}",c.length);
for(var s=0,k=0;k<${LENGTH};k++)s+=L.indexOf(c[k])*Math.pow(2,k+1);
return L[s%${PRIME}]===c[${LENGTH}]?"":W.slip}
self.hobbinWrong=wrong;
function say(m){w.textContent=m;if(m)i.setAttribute("aria-invalid","true");else i.removeAttribute("aria-invalid")}
i.addEventListener("input",function(){if(w.textContent)say(wrong(i.value))});
f.addEventListener("submit",function(e){var m=wrong(i.value);say(m);if(m){e.preventDefault();i.focus()}});
})()`;

const GO_STYLE = `
.go{max-width:30rem}.go form{display:flex;flex-wrap:wrap;gap:.75rem;margin-top:1.5rem}.go label{flex-basis:100%;font-weight:650}
.go input{flex:1 1 14rem;min-width:0;font:600 2rem/1.2 "Atkinson Hyperlegible Next",system-ui,sans-serif;letter-spacing:.12em;padding:.6rem .8rem;color:var(--ink);background:var(--sheet);border:2px solid var(--edge);border-radius:6px}
.go input[aria-invalid]{border-color:var(--stop)}.go input::placeholder{color:var(--quiet);opacity:.6}
.go button{font:650 1.1rem/1 "Atkinson Hyperlegible Next",system-ui,sans-serif;padding:1rem 1.4rem;color:var(--on-accent);background:var(--accent);border:0;border-radius:6px;cursor:pointer}
#wrong{flex-basis:100%;min-height:1.5em;margin:0;color:var(--stop)}
`;

/**
 * Where a short code is typed; whole with script off.
 * @param typed what was typed, to stand in the field again
 * @param wrong what is wrong with it; empty: nothing yet
 * @param fonts where the letters lie
 */
export const goDocument = (typed: string, wrong: string, fonts: string): string =>
  html`<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width,initial-scale=1">
<title>${wrong ? "Not quite: " : null}Open a code · Hobbin</title>
<meta name="robots" content="noindex">
<style>${new Markup(READER_STYLE + readerFonts(fonts) + GO_STYLE.replace(/\n/g, ""))}</style>
</head>
<body>
<main class="go">
<h1>Open a code</h1>
<p class="lead">Type it as it stands on the board or was read to you. Capitals and blanks do not matter.</p>
<form action="/go" method="get"><label for="code">Code</label><input id="code" name="code" value="${typed}" placeholder="abc defg" required maxlength="60" autocomplete="off" autocapitalize="none" autocorrect="off" spellcheck="false" autofocus aria-describedby="wrong"${wrong ? html` aria-invalid="true"` : null}><button>Open</button><p id="wrong" role="status">${wrong}</p></form>
</main>
<script>${new Markup(GO_SCRIPT)}</script>
</body>
</html>
`.text;
