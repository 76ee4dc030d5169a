/**
 * `npm run build:extension`: the browser extension, one folder for Chromium and one for Firefox, each to be loaded as it
 * is, and the same as archives the Account page offers.
 * @param --test  may look at every page without the press of its button, which no program can press in a test
 */
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { ROOT } from "./lib/project.mjs";

const { build } = await import("esbuild");
const { zipSync } = await import("fflate");
const { default: sharp } = await import("sharp");
const test = process.argv.includes("--test");
const source = path.join(ROOT, "extension/src");

const common = {
  manifest_version: 3,
  name: "Hobbin",
  version: JSON.parse(readFileSync(path.join(ROOT, "package.json"), "utf8")).version,
  description: "Bring the page you are on, a passage, a picture or many links into your team's collections.",
  icons: { 48: "icon-48.png", 128: "icon-128.png" },
  action: { default_popup: "popup.html", default_title: "Bring this page into Hobbin" },
  // Only the page one presses the button on; nothing is read before that.
  permissions: ["activeTab", "scripting", "storage", "contextMenus", "alarms"],
  optional_permissions: ["tabs"],
  // One site at a time, when the person wishes marks to be shown there without a press.
  optional_host_permissions: ["https://*/*", "http://*/*"],
  commands: {
    _execute_action: { suggested_key: { default: "Alt+Shift+B" }, description: "Open the window" },
    "save-at-once": {
      suggested_key: { default: "Alt+Shift+K" },
      description: "Save to the last place at once",
    },
    "show-marks": {
      suggested_key: { default: "Alt+Shift+M" },
      description: "Show the marks of the page, or mark what is selected",
    },
  },
  ...(test && {
    host_permissions: ["<all_urls>"],
    permissions: ["activeTab", "scripting", "storage", "contextMenus", "alarms", "tabs"],
  }),
};
const variants = {
  chromium: { ...common, background: { service_worker: "background.js", type: "module" } },
  firefox: {
    ...common,
    background: { scripts: ["background.js"], type: "module" },
    browser_specific_settings: { gecko: { id: "extension@hobbin.invalid", strict_min_version: "128.0" } },
  },
};

const offered = path.join(ROOT, "public/extension");
mkdirSync(offered, { recursive: true });
for (const [name, manifest] of Object.entries(variants)) {
  const folder = path.join(ROOT, "build/extension", test ? `${name}-test` : name);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  await build({
    entryPoints: ["background", "popup", "many"].map((one) => path.join(source, `${one}.ts`)),
    outdir: folder,
    bundle: true,
    format: "esm",
    target: ["chrome120", "firefox128"],
    logLevel: "error",
  });
  // What runs in a page is no module. What it shows there no other script can look into, but for the test's hands.
  await build({
    entryPoints: [path.join(source, "page-marks.ts")],
    outdir: folder,
    bundle: true,
    format: "iife",
    minify: true,
    target: ["chrome120", "firefox128"],
    define: { SHADOW: JSON.stringify(test ? "open" : "closed") },
    logLevel: "error",
  });
  for (const file of ["popup.html", "popup.css", "many.html", "page-marks.css"])
    cpSync(path.join(source, file), path.join(folder, file));
  for (const size of [48, 128])
    writeFileSync(
      path.join(folder, `icon-${size}.png`),
      await sharp(path.join(ROOT, "extension/icon.svg")).resize(size, size).png().toBuffer(),
    );
  writeFileSync(path.join(folder, "manifest.json"), JSON.stringify(manifest, null, 2));
  if (test) continue;
  const files = Object.fromEntries(
    readdirSync(folder)
      .filter((file) => statSync(path.join(folder, file)).isFile())
      .map((file) => [file, new Uint8Array(readFileSync(path.join(folder, file)))]),
  );
  writeFileSync(path.join(offered, `hobbin-${name}.zip`), zipSync(files));
}
