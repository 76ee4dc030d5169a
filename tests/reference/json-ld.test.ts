import jsonld from "jsonld";
import { expect, test } from "vitest";
import { writeAnnotations } from "@/core/marks/annotations-write";
import type { MarkOut } from "@/core/marks/model";
import { writeLinkedData } from "@/core/formats/linked-data-write";
import type { PublishedItem, PublishedTree } from "@/core/publish/model";

/**
 * The context of the Web Annotation Data Model (W3C Recommendation of 23 February 2017, http://www.w3.org/ns/anno.jsonld), as
 * far as these annotations use it; from memory.
 */
const ANNO = {
  "@context": {
    ...{ oa: "http://www.w3.org/ns/oa#", dc: "http://purl.org/dc/elements/1.1/" },
    ...{ dcterms: "http://purl.org/dc/terms/", foaf: "http://xmlns.com/foaf/0.1/" },
    ...{ rdf: "http://www.w3.org/1999/02/22-rdf-syntax-ns#", rdfs: "http://www.w3.org/2000/01/rdf-schema#" },
    ...{ as: "http://www.w3.org/ns/activitystreams#", xsd: "http://www.w3.org/2001/XMLSchema#" },
    ...{ id: { "@type": "@id", "@id": "@id" }, type: { "@type": "@id", "@id": "@type" } },
    ...{ Annotation: "oa:Annotation", TextualBody: "oa:TextualBody", Person: "foaf:Person" },
    ...{ TextQuoteSelector: "oa:TextQuoteSelector", TextPositionSelector: "oa:TextPositionSelector" },
    ...{ FragmentSelector: "oa:FragmentSelector" },
    ...{ AnnotationCollection: "as:OrderedCollection", AnnotationPage: "as:OrderedCollectionPage" },
    body: { "@type": "@id", "@id": "oa:hasBody" },
    target: { "@type": "@id", "@id": "oa:hasTarget" },
    source: { "@type": "@id", "@id": "oa:hasSource" },
    selector: { "@type": "@id", "@id": "oa:hasSelector" },
    motivation: { "@type": "@vocab", "@id": "oa:motivatedBy" },
    purpose: { "@type": "@vocab", "@id": "oa:hasPurpose" },
    ...{ commenting: "oa:commenting", highlighting: "oa:highlighting", tagging: "oa:tagging" },
    ...{ exact: "oa:exact", prefix: "oa:prefix", suffix: "oa:suffix", value: "rdf:value" },
    start: { "@type": "xsd:nonNegativeInteger", "@id": "oa:start" },
    end: { "@type": "xsd:nonNegativeInteger", "@id": "oa:end" },
    conformsTo: { "@type": "@id", "@id": "dcterms:conformsTo" },
    created: { "@type": "xsd:dateTime", "@id": "dcterms:created" },
    modified: { "@type": "xsd:dateTime", "@id": "dcterms:modified" },
    creator: { "@type": "@id", "@id": "dcterms:creator" },
    ...{ format: "dc:format", name: "foaf:name", label: "rdfs:label" },
    items: { "@type": "@id", "@id": "as:items", "@container": "@list" },
    first: { "@type": "@id", "@id": "as:first" },
    partOf: { "@type": "@id", "@id": "as:partOf" },
    total: { "@type": "xsd:nonNegativeInteger", "@id": "as:totalItems" },
    startIndex: { "@type": "xsd:nonNegativeInteger", "@id": "as:startIndex" },
  },
};

/** That of schema.org as far as it matters here, from memory: every term is one of its own. */
const SCHEMA = { "@context": { "@vocab": "http://schema.org/", id: "@id", type: "@type" } };

const SHIPPED: Record<string, object> = {
  "http://www.w3.org/ns/anno.jsonld": ANNO,
  "https://schema.org": SCHEMA,
};
const documentLoader = (url: string) => {
  const document = SHIPPED[url];
  if (!document) throw new Error(`${url} is not at hand`);
  return Promise.resolve({ contextUrl: undefined, documentUrl: url, document });
};

/** What a document says, as N-Quads; whatever its context does not know would be dropped, and is an error. */
const triples = async (document: object): Promise<string[]> =>
  (await jsonld.toRDF(document, { documentLoader, safe: true, format: "application/n-quads" }))
    .trim()
    .split("\n");

const item = (letter: string): PublishedItem => ({
  ...{ id: letter, kind: "page", heading: "", context: "Because", look: "item", title: `Thing ${letter}` },
  ...{ description: "", address: `https://bog.example/${letter}`, host: "bog.example", siteName: "Bog" },
  ...{ authors: ["Ama Okeri"], published: "2026-03", minutes: 12, pages: null, tags: ["water"] },
  ...{ picture: null, player: null, language: "en", quotation: null, copy: null, isPdf: false, file: null },
  addedAt: new Date(0),
});
const TREE: PublishedTree = {
  collection: {
    ...{ id: "01a22265-7a22-7436-bb4e-5b7a4a0f2ae1", title: "Bogs", description: "", rich: "", cover: null },
    ...{ teamName: "Lantern", audience: "public", view: "rows", use: null, language: "en", framedBy: "*" },
    ...{ inside: [], way: null, createdAt: new Date(0), updatedAt: new Date(0) },
    sections: [{ id: null, title: "", intro: "", items: [item("a"), item("b")] }],
  },
  inside: [],
};

const MARK: MarkOut = {
  ...{ id: "01a22265-7a5a-72c8-9731-3c0d67fa505b", quote: "twenty times", prefix: "holds ", suffix: " its" },
  ...{ start: 15, end: 27, fragment: "", note: "Ask", meaning: "doubt", by: "Ama Oduya" },
  ...{ createdAt: "2026-11-25T10:00:00.000Z", updatedAt: "2026-11-25T10:00:00.000Z" },
  source: {
    ...{ id: "01a22265-7a22-7436-bb4e-5b7a4a0f2ae0", title: "Ten myths" },
    ...{ address: "https://peat.example/ten", site: "Peat Notebook" },
  },
};

test("a JSON-LD processor finds in the marks that go out what the model means, and drops nothing", async () => {
  const written = JSON.parse(writeAnnotations({ id: MARK.source.id, title: "Marks" }, [MARK])) as object;
  const said = await triples(written);
  const has = (predicate: string, object: string) =>
    expect(said.filter((one) => one.includes(` <${predicate}> ${object}`))).toHaveLength(1);
  const oa = (name: string) => `http://www.w3.org/ns/oa#${name}`;
  has(oa("exact"), '"twenty times"');
  has(oa("prefix"), '"holds "');
  has(oa("hasSource"), "<https://peat.example/ten>");
  has(oa("motivatedBy"), `<${oa("commenting")}>`);
  has(oa("start"), '"15"^^<http://www.w3.org/2001/XMLSchema#nonNegativeInteger>');
  has("http://www.w3.org/ns/activitystreams#totalItems", '"1"');
  has(
    "http://purl.org/dc/terms/created",
    '"2026-11-25T10:00:00.000Z"^^<http://www.w3.org/2001/XMLSchema#dateTime>',
  );
  expect(said.some((one) => one.startsWith(`<urn:uuid:${MARK.id}> `))).toBe(true);
});

test("a JSON-LD processor finds every item of a collection that goes out, by the terms of schema.org", async () => {
  const said = await triples(JSON.parse(writeLinkedData(TREE)) as object);
  const of = (name: string) => said.filter((one) => one.includes(` <http://schema.org/${name}> `));
  expect(of("hasPart")).toHaveLength(2);
  expect(of("url").some((one) => one.includes('"https://bog.example/a"'))).toBe(true);
  expect(of("name").map((one) => /"([^"]*)"/.exec(one)![1])).toEqual(
    expect.arrayContaining(["Bogs", "Thing a", "Thing b"]),
  );
});
