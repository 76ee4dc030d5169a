import { readFileSync } from "node:fs";
import { strToU8, zipSync } from "fflate";
import sharp from "sharp";

/** A landscape for a page, always the same for the same seed: sky, two hills, a pool. */
export async function picture(seed: string, type: "jpg" | "png"): Promise<Buffer> {
  const hash = [...seed].reduce((sum, char) => (Math.imul(sum, 31) + char.codePointAt(0)!) >>> 0, 17);
  const hue = [95, 38, 200, 24, 150, 60][hash % 6]!;
  const [a, b, c] = [hash % 120, (hash >>> 5) % 140, (hash >>> 11) % 100];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="450" viewBox="0 0 800 450">
<rect width="800" height="450" fill="hsl(${(hue + 110) % 360} 24% ${68 + (hash % 14)}%)"/>
<path d="M0 ${230 + a / 2} C 160 ${150 + a} 300 ${190 + b} 460 ${230 + b / 2} S 700 ${160 + c} 800 ${200 + a / 2} V450 H0Z" fill="hsl(${hue} 26% 45%)"/>
<path d="M0 ${320 + c / 3} C 200 ${270 + b / 3} 380 ${360 - a / 4} 520 ${320} S 720 ${280 + a / 4} 800 ${330 - b / 5} V450 H0Z" fill="hsl(${hue} 30% 30%)"/>
<ellipse cx="${200 + b * 2}" cy="${395}" rx="${90 + a}" ry="${10 + (c % 14)}" fill="hsl(${(hue + 110) % 360} 26% 60%)"/></svg>`;
  const image = sharp(Buffer.from(svg));
  return type === "jpg" ? image.jpeg({ quality: 80 }).toBuffer() : image.png().toBuffer();
}

/** Four seconds of a call that rises and falls, as 16-bit sound at 16 kHz. */
export function call(): Buffer {
  const rate = 16_000;
  const samples = rate * 4;
  const wav = Buffer.alloc(44 + samples * 2);
  wav.write("RIFF", 0);
  wav.writeUInt32LE(36 + samples * 2, 4);
  wav.write("WAVEfmt ", 8);
  wav.writeUInt32LE(16, 16);
  wav.writeUInt16LE(1, 20);
  wav.writeUInt16LE(1, 22);
  wav.writeUInt32LE(rate, 24);
  wav.writeUInt32LE(rate * 2, 28);
  wav.writeUInt16LE(2, 32);
  wav.writeUInt16LE(16, 34);
  wav.write("data", 36);
  wav.writeUInt32LE(samples * 2, 40);
  let phase = 0;
  for (let i = 0; i < samples; i++) {
    const t = (i / rate) % 1;
    phase += (2 * Math.PI * (900 + 900 * t * t)) / rate;
    wav.writeInt16LE(Math.round(9_000 * Math.sin(phase) * Math.sin(Math.PI * t)), 44 + i * 2);
  }
  return wav;
}

/** Five seconds of water rising in a well, drawn for this project. */
export const clip = (): Buffer => readFileSync(new URL("./assets/clip.webm", import.meta.url));

/** A PDF of one page, written by hand. */
export function pdf(title: string): Buffer {
  const safe = title.replace(/[()\\]/g, "").replace(/[^\x20-\x7e]/g, "");
  const stream = `BT /F1 24 Tf 72 740 Td (${safe}) Tj 0 -40 Td /F1 12 Tf (Read the string at the rim, not at the ground.) Tj ET`;
  const objects = [
    "<< /Type /Catalog /Pages 2 0 R >>",
    "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
    "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>",
    `<< /Length ${stream.length} >>\nstream\n${stream}\nendstream`,
    "<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>",
    `<< /Title (${safe}) >>`,
  ];
  let text = "%PDF-1.4\n";
  const offsets = objects.map((object, i) => {
    const offset = text.length;
    text += `${i + 1} 0 obj\n${object}\nendobj\n`;
    return offset;
  });
  const xref = text.length;
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${offsets.map((o) => `${String(o).padStart(10, "0")} 00000 n \n`).join("")}`;
  return Buffer.from(
    `${text}trailer << /Size ${objects.length + 1} /Root 1 0 R /Info 6 0 R >>\nstartxref\n${xref}\n%%EOF\n`,
  );
}

/** A word-processor document of two paragraphs (Office Open XML), the smallest that opens. */
export function docx(title: string): Buffer {
  const xml = (body: string) => strToU8(`<?xml version="1.0" encoding="UTF-8" standalone="yes"?>${body}`);
  const type = "application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml";
  const paragraph = (text: string) => `<w:p><w:r><w:t>${text}</w:t></w:r></w:p>`;
  const date = new Date(Date.UTC(2026, 0, 1));
  return Buffer.from(
    zipSync(
      {
        "[Content_Types].xml": xml(
          `<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="${type}"/></Types>`,
        ),
        "_rels/.rels": xml(
          `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>`,
        ),
        "word/document.xml": xml(
          `<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${paragraph(title)}${paragraph("Write the depth in millimetres and the time to the minute.")}</w:body></w:document>`,
        ),
      },
      { mtime: date },
    ),
  );
}
