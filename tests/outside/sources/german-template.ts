import { strToU8, zipSync } from "fflate";

const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
const R = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
const MAIN = "application/vnd.openxmlformats-officedocument.wordprocessingml";
const style = (id: string, name: string, more = "") =>
  `<w:style w:type="paragraph" w:styleId="${id}"><w:name w:val="${name}"/>${more}</w:style>`;
const relations = (all: string) =>
  `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${all}</Relationships>`;

/**
 * A template as a German word processor writes one: ids of styles in German, a letterhead, a list of its own, and something
 * that would be fetched from another site as soon as it is opened.
 * @param place what its paragraph in the middle says
 */
export function germanTemplate(place = "[collection]"): Uint8Array {
  const files = {
    "[Content_Types].xml": `<?xml version="1.0" encoding="UTF-8"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="${MAIN}.template.main+xml"/><Override PartName="/word/styles.xml" ContentType="${MAIN}.styles+xml"/><Override PartName="/word/numbering.xml" ContentType="${MAIN}.numbering+xml"/><Override PartName="/word/header1.xml" ContentType="${MAIN}.header+xml"/><Override PartName="/word/settings.xml" ContentType="${MAIN}.settings+xml"/></Types>`,
    "_rels/.rels": relations(
      `<Relationship Id="rId1" Type="${R}/officeDocument" Target="word/document.xml"/>`,
    ),
    "word/document.xml": `<?xml version="1.0" encoding="UTF-8"?><w:document ${W} xmlns:r="${R}"><w:body><w:p><w:pPr><w:numPr><w:ilvl w:val="0"/><w:numId w:val="1"/></w:numPr></w:pPr><w:r><w:t>Before it</w:t></w:r></w:p><w:p><w:r><w:t xml:space="preserve">${place.slice(0, 4)}</w:t></w:r><w:r><w:t>${place.slice(4)}</w:t></w:r></w:p><w:p><w:r><w:t>Behind it</w:t></w:r></w:p><w:sectPr><w:headerReference w:type="default" r:id="rId1"/><w:pgSz w:w="11906" w:h="16838"/></w:sectPr></w:body></w:document>`,
    "word/_rels/document.xml.rels": relations(
      `<Relationship Id="rId1" Type="${R}/header" Target="header1.xml"/><Relationship Id="rId2" Type="${R}/styles" Target="styles.xml"/><Relationship Id="rId3" Type="${R}/numbering" Target="numbering.xml"/><Relationship Id="rId4" Type="${R}/settings" Target="settings.xml"/>`,
    ),
    "word/_rels/settings.xml.rels": relations(
      `<Relationship Id="rId1" Type="${R}/attachedTemplate" Target="https://templates.example/letter.dotx" TargetMode="External"/>`,
    ),
    "word/settings.xml": `<w:settings ${W}/>`,
    "word/header1.xml": `<w:hdr ${W}><w:p><w:r><w:t>Moor-Schule am Wald</w:t></w:r></w:p></w:hdr>`,
    "word/numbering.xml": `<w:numbering ${W}><w:abstractNum w:abstractNumId="0"><w:lvl w:ilvl="0"><w:start w:val="1"/><w:numFmt w:val="upperRoman"/><w:lvlText w:val="%1."/></w:lvl></w:abstractNum><w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num></w:numbering>`,
    "word/styles.xml": `<w:styles ${W}>${style("Standard", "Normal")}${style("berschrift1", "heading 1", '<w:basedOn w:val="Standard"/><w:pPr><w:outlineLvl w:val="0"/></w:pPr><w:rPr><w:color w:val="AA0000"/></w:rPr>')}${style("berschrift2", "heading 2", '<w:basedOn w:val="Standard"/><w:pPr><w:outlineLvl w:val="1"/></w:pPr>')}${style("Source", "Quelle")}</w:styles>`,
  };
  return zipSync(Object.fromEntries(Object.entries(files).map(([name, xml]) => [name, strToU8(xml)])));
}
