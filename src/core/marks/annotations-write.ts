import type { MarkOut } from "./model";

/** https://www.w3.org/TR/annotation-vocab/ */
const CONTEXT = "http://www.w3.org/ns/anno.jsonld";
const urn = (id: string) => `urn:uuid:${id}`;

/**
 * Marks as an AnnotationCollection of the Web Annotation Data Model (https://www.w3.org/TR/annotation-model/#annotation-collection),
 * all of them on one page. Each has an IRI of its own by its id (RFC 9562), since a file has no address.
 * @param about what they are the marks of
 */
export function writeAnnotations(about: { id: string; title: string }, marks: readonly MarkOut[]): string {
  const collection = urn(about.id);
  const page = {
    id: `${collection}#page-1`,
    type: "AnnotationPage",
    partOf: collection,
    startIndex: 0,
    items: marks.map(annotation),
  };
  const whole = {
    "@context": CONTEXT,
    id: collection,
    type: "AnnotationCollection",
    label: about.title,
    total: marks.length,
    first: page,
  };
  return `${JSON.stringify(whole, null, 2)}\n`;
}

function annotation(mark: MarkOut) {
  const { source, quote, prefix, suffix, start, end, fragment } = mark;
  const body = [
    ...(mark.note
      ? [{ type: "TextualBody", value: mark.note, format: "text/plain", purpose: "commenting" }]
      : []),
    ...(mark.meaning ? [{ type: "TextualBody", value: mark.meaning, purpose: "tagging" }] : []),
  ];
  const selector = [
    ...(fragment ? [{ type: "FragmentSelector", conformsTo: conformsTo(fragment), value: fragment }] : []),
    ...(quote ? [{ type: "TextQuoteSelector", exact: quote, prefix, suffix }] : []),
    ...(start !== null && end !== null ? [{ type: "TextPositionSelector", start, end }] : []),
  ];
  // What a file or a letter is has no address in the web.
  const iri = source.address || urn(source.id);
  return {
    id: urn(mark.id),
    type: "Annotation",
    motivation: mark.note ? "commenting" : "highlighting",
    creator: { type: "Person", name: mark.by },
    created: mark.createdAt,
    modified: mark.updatedAt,
    ...(body.length && { body }),
    target: selector.length ? { source: iri, selector } : iri,
  };
}

/** By which specification a fragment is read (https://www.w3.org/TR/annotation-model/#fragment-selector). */
const conformsTo = (fragment: string): string =>
  fragment.startsWith("page=") ? "http://tools.ietf.org/rfc/rfc3778" : "http://www.w3.org/TR/media-frags/";
