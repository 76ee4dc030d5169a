/**
 * The whole script of the reader's page, plain and small. Everything it does is extra: without it links lead to
 * the originals. A player is set in only after a press, so that nothing is asked of another site before.
 * "Where was I" stays in the reader's own browser and is sent nowhere.
 */
export const READER_SCRIPT = `(function(){
var d=document,key="hobbin:"+location.pathname;
function all(s){return Array.prototype.slice.call(d.querySelectorAll(s))}
all("[data-print]").forEach(function(b){b.hidden=false;b.onclick=function(){print()}});
all(".play").forEach(function(b){b.hidden=false;b.onclick=function(){
var t=b.dataset.type,e=d.createElement(t==="frame"?"iframe":t),s=d.createElement("div");
s.className="stage";
if(t==="frame"){e.setAttribute("sandbox","allow-scripts allow-same-origin allow-presentation allow-popups");e.allow="fullscreen; picture-in-picture";e.referrerPolicy="no-referrer"}
else{e.controls=true;e.autoplay=true}
e.title=b.dataset.title;e.setAttribute("aria-label",b.dataset.title);e.src=b.dataset.src;s.appendChild(e);
b.closest(".item").appendChild(s);b.hidden=true;e.tabIndex=0;e.focus()}});
try{
all(".item a[href],.play").forEach(function(a){a.addEventListener("click",function(){localStorage.setItem(key,a.closest(".item").id)})});
var was=localStorage.getItem(key),i=was&&d.getElementById(was);
if(i){i.classList.add("here");var n=i.querySelector(".sub");if(n)n.appendChild(d.createTextNode(" · you were here"))}
}catch(e){}
})()`;
