/** So many blocks are put on the page at once, and then it is drawn. */
const AT_ONCE = 100;

type Missing = { into: Node; nodes: Node[] };

/**
 * What the beginning of a text lacks of all of it, from the innermost place where it breaks off outwards.
 * @param root what has the beginning
 * @param all what has the whole; what is put into place is taken from it
 */
function missingIn(root: Node, all: Node): Missing[] {
  const had = root.childNodes.length;
  const [last, whole] = [root.childNodes[had - 1], all.childNodes[had - 1]];
  const nodes = [...all.childNodes].slice(had);
  if (!last || !whole || last.isEqualNode(whole)) return [{ into: root, nodes }];
  if (last instanceof Text && whole instanceof Text) {
    last.data = whole.data;
    return [{ into: root, nodes }];
  }
  return [...missingIn(last, whole), { into: root, nodes }];
}

/**
 * Puts the rest of a long text behind its beginning, some of it for each time the page is drawn, so that nothing waits for
 * a megabyte of it.
 * @param root the element that has the beginning
 * @param html the whole, of which what stands there is the beginning (`core/page/beginning.ts`)
 * @param done called when all of it stands there
 * @returns what ends it before
 */
export function appendLater(root: HTMLElement, html: string, done: () => void): () => void {
  const template = document.createElement("template");
  template.innerHTML = html;
  const missing = missingIn(root, template.content);
  let frame = 0;
  const go = () => {
    let left = AT_ONCE;
    while (left > 0 && missing.length) {
      const { into, nodes } = missing[0]!;
      const some = document.createDocumentFragment();
      some.append(...nodes.splice(0, left));
      left -= some.childNodes.length || 1;
      into.appendChild(some);
      if (!nodes.length) missing.shift();
    }
    // What comes after the last of it has been drawn is apart from it.
    frame = requestAnimationFrame(missing.length ? go : done);
  };
  frame = requestAnimationFrame(go);
  return () => cancelAnimationFrame(frame);
}
