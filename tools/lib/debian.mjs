import { existsSync } from "node:fs";
import { run } from "./processes.mjs";
import { say, Stop } from "./say.mjs";

/** What reads PDFs, in every script, and lists of references of other programs. */
export const DOCUMENTS = {
  "/usr/bin/pdftotext": "poppler-utils",
  "/usr/share/poppler/cMap/Adobe-Japan1": "poppler-data",
  "/usr/bin/xml2ris": "bibutils",
};

/** Citation styles beside those that come with Hobbin. */
export const STYLES = {
  "/usr/share/citation-style-language/styles": "citation-style-language-styles",
};

/** Letters for the scripts Hobbin's own do not have, for documents on pages. */
export const FONTS = {
  "/usr/share/fonts/truetype/noto/NotoSans-Regular.ttf": "fonts-noto-core",
  "/usr/share/fonts/opentype/noto/NotoSansCJK-Regular.ttc": "fonts-noto-cjk",
};

/**
 * Sees to it that programs are there, from Debian's own packages.
 * @param wanted package name by the path of the program it brings
 */
export async function ensureDebian(wanted) {
  const missing = Object.entries(wanted).filter(([program]) => !existsSync(program));
  if (!missing.length) return;
  const names = missing.map(([, name]) => name);
  const by = `apt-get install ${names.join(" ")}`;
  if (!existsSync("/usr/bin/apt-get"))
    throw new Stop(
      `${names.join(" and ")} must be installed first; this is no Debian, so it cannot be done from here.`,
    );
  const root = process.getuid?.() === 0;
  if (!root && !existsSync("/usr/bin/sudo"))
    throw new Stop(
      `Installing ${names.join(" and ")} needs rights you do not have here. Ask an administrator for: ${by}`,
    );
  say(`Installing ${names.join(", ")} …`);
  const asRoot = (...command) => {
    const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
    return root
      ? run(command[0], command.slice(1), { env, output: "ignore" })
      : run("sudo", ["-n", "DEBIAN_FRONTEND=noninteractive", ...command], { env, output: "ignore" });
  };
  const install = () =>
    asRoot("apt-get", "-q", "-y", "install", "--reinstall", "--no-install-recommends", ...names);
  if ((await install()) !== 0) {
    // The lists may be old, or an earlier installation was broken off half way.
    await asRoot("apt-get", "-q", "-y", "update");
    await asRoot("dpkg", "--configure", "-a");
    if ((await install()) !== 0)
      throw new Stop(
        `Could not install ${names.join(" and ")}. Run this by hand and see what it says: ${root ? "" : "sudo "}${by}`,
      );
  }
  const still = missing.filter(([program]) => !existsSync(program)).map(([program]) => program);
  if (still.length) throw new Stop(`${still.join(" and ")} is still missing after the installation.`);
}
