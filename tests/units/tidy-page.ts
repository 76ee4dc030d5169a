/** What tests leave on a page is gone before the next one begins. */
import { afterEach } from "vitest";

if (typeof document !== "undefined") {
  const { cleanup } = await import("@testing-library/react");
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
  // Neither lays anything out here: what scrolls into sight has nowhere to go.
  Element.prototype.scrollIntoView = () => undefined;
  afterEach(cleanup);
}
