import { spawn } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { connect } from "node:net";
import os from "node:os";
import path from "node:path";

/**
 * Debian's Firefox by its Marionette: JSON over a socket, each message with its length before it
 * (https://firefox-source-docs.mozilla.org/testing/marionette/Protocol.html).
 * @param {{ script?: boolean }} options whether pages may run scripts
 */
export async function openFirefox({ script = true } = {}) {
  const profile = mkdtempSync(path.join(os.tmpdir(), "hobbin-firefox-"));
  const port = 28_000 + Math.floor(Math.random() * 1_000);
  const prefs = {
    "marionette.port": port,
    "javascript.enabled": script,
    "datareporting.policy.dataSubmissionEnabled": false,
    "app.update.enabled": false,
    "network.captive-portal-service.enabled": false,
    "browser.shell.checkDefaultBrowser": false,
    "media.autoplay.default": 0,
  };
  writeFileSync(
    path.join(profile, "user.js"),
    Object.entries(prefs)
      .map(([name, value]) => `user_pref(${JSON.stringify(name)}, ${JSON.stringify(value)});`)
      .join("\n"),
  );
  const child = spawn(
    "firefox-esr",
    ["--marionette", "--remote-allow-system-access", "--headless", "--profile", profile, "about:blank"],
    {
      stdio: "ignore",
      env: { ...process.env, HOME: profile },
    },
  );
  const socket = await patiently(port);
  let rest = Buffer.alloc(0);
  const waiting = new Map();
  socket.on("data", (data) => {
    rest = Buffer.concat([rest, data]);
    for (;;) {
      const colon = rest.indexOf(":");
      const length = Number(rest.subarray(0, colon).toString());
      if (colon < 0 || rest.length < colon + 1 + length) return;
      const message = JSON.parse(rest.subarray(colon + 1, colon + 1 + length).toString());
      rest = rest.subarray(colon + 1 + length);
      // The first one says who is there.
      if (!Array.isArray(message)) continue;
      const [, id, error, result] = message;
      const { resolve, reject } = waiting.get(id);
      waiting.delete(id);
      if (error) reject(new Error(`${error.error}: ${error.message}`));
      else resolve(result?.value ?? result);
    }
  });
  let last = 0;
  const send = (name, params = {}) =>
    new Promise((resolve, reject) => {
      const id = ++last;
      waiting.set(id, { resolve, reject });
      const text = JSON.stringify([0, id, name, params]);
      socket.write(`${Buffer.byteLength(text)}:${text}`);
    });
  const { capabilities } = await send("WebDriver:NewSession", { strictFileInteractability: false });
  /** Runs in the page; works with its scripts off, too, as it comes from outside. */
  const run = (code, ...args) => send("WebDriver:ExecuteScript", { script: code, args, sandbox: "hobbin" });
  return {
    version: `Firefox ${capabilities.browserVersion}`,
    /**
     * Looks at a page in a frame: a window is never narrower than 450 pixels.
     * @param {string} look what is run beside the frame, once it is there
     */
    async framed(base, address, width, look) {
      await send("WebDriver:Navigate", { url: `${base}/robots.txt` });
      await run(FRAME, base + address, width);
      for (let i = 0; !(await run(IS_THERE)); i++) {
        if (i > 100) throw new Error(`${address} did not come`);
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      return run(look);
    },
    /** Looks at a page from a file, with the net off. @param {string} look what is run in it */
    async fromFile(address, look) {
      await send("Marionette:SetContext", { value: "chrome" });
      await send("WebDriver:ExecuteScript", {
        script: "Services.io.offline = true;",
        args: [],
        sandbox: "system",
      });
      await send("Marionette:SetContext", { value: "content" });
      await send("WebDriver:Navigate", { url: address });
      await send("WebDriver:ExecuteAsyncScript", {
        script: SETTLED,
        args: [],
        sandbox: "hobbin",
      });
      return run(look);
    },
    /** Takes a file of bookmarks in, in place of all it has, and writes what it has by then. */
    async throughBookmarks(from, to) {
      await send("Marionette:SetContext", { value: "chrome" });
      await send("WebDriver:ExecuteAsyncScript", {
        script: BOOKMARKS,
        args: [from, to],
        sandbox: "system",
        scriptTimeout: 60_000,
      });
      await send("Marionette:SetContext", { value: "content" });
    },
    async close() {
      await send("Marionette:Quit", { flags: ["eForceQuit"] }).catch(() => {});
      socket.destroy();
      child.kill("SIGKILL");
      rmSync(profile, { recursive: true, force: true });
    },
  };
}

/** Every letter and every picture is there, those below the screen, too. */
const SETTLED = `
  const [done] = arguments;
  const pictures = [...document.images].map((one) => ((one.loading = "eager"), one.decode().catch(() => null)));
  Promise.all([document.fonts.ready, ...pictures]).then(() => done(true));`;

const BOOKMARKS = `
  const [from, to, done] = arguments;
  const { BookmarkHTMLUtils } = ChromeUtils.importESModule("resource://gre/modules/BookmarkHTMLUtils.sys.mjs");
  const { PlacesUtils } = ChromeUtils.importESModule("resource://gre/modules/PlacesUtils.sys.mjs");
  PlacesUtils.bookmarks.eraseEverything()
    .then(() => BookmarkHTMLUtils.importFromFile(from, { replace: true }))
    .then(() => BookmarkHTMLUtils.exportToFile(to))
    .then(() => done(true), (error) => done(String(error)));`;

const FRAME = `
  const frame = document.createElement("iframe");
  frame.style = "border:0;height:800px;width:" + arguments[1] + "px";
  frame.src = arguments[0];
  document.body.replaceChildren(frame);`;
const IS_THERE = `
  const page = document.querySelector("iframe").contentDocument;
  return page !== null && page.readyState === "complete" && page.location.href !== "about:blank";`;

/** The socket, once it is there. */
async function patiently(port) {
  for (let i = 0; i < 240; i++) {
    const socket = await new Promise((resolve) => {
      const one = connect(port, "127.0.0.1", () => resolve(one)).once("error", () => resolve(null));
    });
    if (socket) return socket;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  throw new Error("Firefox did not open its socket within a minute");
}
