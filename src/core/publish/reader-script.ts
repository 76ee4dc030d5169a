/** Before anything is drawn: that scripts run, so what they will show has its room from the first paint on, and how this reader likes to see it. */
export const COMFORT_SCRIPT = `document.documentElement.className="js";try{var c=JSON.parse(localStorage.getItem("hobbin:comfort")||"{}");["size","space","face","look"].forEach(function(k){if(/^[a-z]+$/.test(c[k]))document.documentElement.setAttribute("data-"+k,c[k])})}catch(e){}if(location.hash==="#bare")document.documentElement.setAttribute("data-bare","")`;

/**
 * The whole script of the reader's page, plain and small. Everything it does is extra: without it links lead to
 * the originals. A player is set in only after a press, so that nothing is asked of another site before.
 * "Where was I", what is done and what is comfortable stay in the reader's own browser and are sent nowhere.
 */
export const READER_SCRIPT = `(function(){
var d=document,h=d.documentElement,key="hobbin:"+location.pathname;
function all(s,e){return Array.prototype.slice.call((e||d).querySelectorAll(s))}
function one(s,e){return (e||d).querySelector(s)}
function make(t,p,c){var e=d.createElement(t);for(var k in p)e[k]=p[k];(c||[]).forEach(function(x){e.append(x)});return e}
function get(k){try{return localStorage.getItem(k)}catch(e){return null}}
function put(k,v){try{localStorage.setItem(k,v)}catch(e){}}
function list(k){try{var v=JSON.parse(get(k)||"[]");return Array.isArray(v)?v:[]}catch(e){return []}}
var items=all(".item");
function titleOf(i){var a=one(".what,th[scope=row]",i);return a?a.textContent:""}

all(".play").forEach(function(b){b.hidden=false;b.onclick=function(){
var t=b.dataset.type;
if(t==="picture"){
var x=make("button",{type:"button",textContent:"Close"}),g=make("dialog",{className:"large"},[make("img",{src:b.dataset.src,alt:b.dataset.title,referrerPolicy:"no-referrer"}),x]);
x.onclick=function(){g.close()};g.onclick=function(e){if(e.target===g)g.close()};g.onclose=function(){g.remove();b.focus()};
d.body.append(g);g.showModal();return}
var e=d.createElement(t==="frame"||t==="pdf"?"iframe":t),s=make("div",{className:"stage "+t});
if(t==="frame"){e.setAttribute("sandbox","allow-scripts allow-same-origin allow-presentation allow-popups");e.allow="fullscreen; picture-in-picture";e.referrerPolicy="no-referrer"}
else if(t!=="pdf"){e.controls=true;e.autoplay=true;if(b.dataset.captions)e.append(make("track",{kind:"captions",src:b.dataset.captions,srclang:b.dataset.lang||h.lang,label:"Captions",default:true}))}
e.title=b.dataset.title;e.setAttribute("aria-label",b.dataset.title);e.src=b.dataset.src;s.append(e);
(b.closest("td")||b.closest(".item")).append(s);b.hidden=true;e.tabIndex=0;e.focus()}});

var was=get(key),there=was&&d.getElementById(was);
all(".item a[href],.play").forEach(function(a){a.addEventListener("click",function(){put(key,a.closest(".item").id)})});
if(there&&there.matches(".item")){there.classList.add("here");var n=one(".sub",there);if(n)n.append(" · you were here")}

var done=list(key+":done"),left=one("[data-left]");
function tell(){
var sum=0,rest=0,n=0;
items.forEach(function(i){var m=+i.dataset.minutes||0,is=done.indexOf(i.id)>=0;sum+=m;if(is)n++;else rest+=m;i.classList.toggle("is-done",is)});
left.textContent=!n?"":sum?rest+" of "+sum+" minutes left":n+" of "+items.length+" done"}
items.forEach(function(i){
var b=make("input",{type:"checkbox",checked:done.indexOf(i.id)>=0});
b.setAttribute("aria-label","Done: "+titleOf(i));
b.onchange=function(){done=done.filter(function(x){return x!==i.id});if(b.checked)done.push(i.id);put(key+":done",JSON.stringify(done));tell()};
(all("td",i).pop()||one(".no+div",i)||i).append(make("label",{className:"done"},[b," Done"]))});
if(items.length)tell();

var c={};try{c=JSON.parse(get("hobbin:comfort")||"{}")||{}}catch(e){}
var panel=one("[data-comfort]");
if(panel){panel.hidden=false;all("input",panel).forEach(function(r){
r.checked=(c[r.name]||"")===r.value;
r.onchange=function(){c[r.name]=r.value;if(r.value)h.setAttribute("data-"+r.name,r.value);else h.removeAttribute("data-"+r.name);put("hobbin:comfort",JSON.stringify(c))}})}

var form=one("[data-narrow]");
if(form){form.hidden=false;
var words=one("input",form),kind=one("select",form),said=one("output",form);
form.onsubmit=function(e){e.preventDefault()};
form.oninput=function(){
var w=words.value.trim().toLowerCase(),k=kind?kind.value:"",n=0;
items.forEach(function(i){var on=(!k||i.dataset.kind===k)&&(!w||i.textContent.toLowerCase().indexOf(w)>=0);i.hidden=!on;if(on)n++});
all(".between").forEach(function(b){b.hidden=!!(w||k)});
all(".parts>.part").forEach(function(s){s.hidden=!one(".item:not([hidden])",s)});
said.textContent=w||k?n+" of "+items.length:""}}

var start=one("[data-one]"),at=-1,bar;
function show(k){
at=k;d.body.className="one";
items.forEach(function(i,x){i.hidden=x!==k});
all(".parts>.part").forEach(function(s){s.hidden=!one(".item:not([hidden])",s)});
var s=one("h2",items[k].closest(".part"));
one("output",bar).textContent=(k+1)+" of "+items.length+(s?" · "+s.firstChild.textContent:"");
all("button",bar)[0].disabled=k===0;
var go=one(".on [rel=next]");all("button",bar)[1].disabled=k===items.length-1&&!go;
items[k].tabIndex=-1;items[k].focus({preventScroll:true});scrollTo(0,0)}
function step(by){
if(at<0)return;
if(at+by>=items.length){var go=one(".on [rel=next]");if(go)location.href=go.href+"#one";return}
if(at+by>=0)show(at+by)}
function end(){
var i=items[at];at=-1;d.body.className="";
items.forEach(function(x){x.hidden=false});all(".parts>.part").forEach(function(s){s.hidden=false});
if(form)form.oninput();i.scrollIntoView({block:"center"});start.focus({preventScroll:true})}
if(start&&items.length){start.hidden=false;
bar=make("nav",{className:"steps-bar"},[make("button",{type:"button",textContent:"Before",onclick:function(){step(-1)}}),d.createElement("output"),make("button",{type:"button",textContent:"Next",onclick:function(){step(1)}}),make("button",{type:"button",textContent:"All",onclick:end})]);
bar.setAttribute("aria-label","One at a time");d.body.append(bar);
start.onclick=function(){var i=there?items.indexOf(there):0;show(i<0?0:i)};
d.addEventListener("keydown",function(e){
if(at<0||e.altKey||e.ctrlKey||e.metaKey||/^(INPUT|SELECT|TEXTAREA|VIDEO|AUDIO)$/.test(e.target.tagName))return;
if(e.key==="ArrowRight")step(1);else if(e.key==="ArrowLeft")step(-1);else if(e.key==="Escape")end();else return;
e.preventDefault()});
if(location.hash==="#one")show(0)}

var asked=location.hash.slice(1).split("&").map(function(id){return d.getElementById(id)}).filter(function(e){return e&&e.matches(".item")});
asked.forEach(function(e){e.classList.add("asked")});
if(asked[0])asked[0].scrollIntoView({block:"center"});
h.classList.add("ready")
})()`;
