/**
 * A page for tests that need one. A worker has one page for all its files, because modules that remember the page they
 * were loaded with (React, the testing library) stay loaded too; what a test leaves on it is gone before the next.
 */
import { GlobalRegistrator } from "@happy-dom/global-registrator";
import { afterEach } from "vitest";
import { standAt } from "./stand-at";

const HOME = "http://localhost:3000/";
if (!GlobalRegistrator.isRegistered) {
  const { fetch, Response, Request, Headers, AbortController } = globalThis;
  GlobalRegistrator.register({ url: HOME });
  // What reaches out is the stand-in's of each test, and answers with Node's own.
  Object.assign(globalThis, { fetch, Response, Request, Headers, AbortController });
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
  // Nothing is laid out here: what scrolls into sight has nowhere to go.
  Element.prototype.scrollIntoView = () => undefined;
}

const { cleanup, configure } = await import("@testing-library/react");
// A machine that is busy otherwise takes its time: what is waited for comes, or never does.
configure({ asyncUtilTimeout: 120_000 });
afterEach(() => {
  cleanup();
  standAt(HOME);
  document.head.replaceChildren();
  document.body.replaceChildren();
});
