import { AsyncLocalStorage } from "node:async_hooks";

/** What is known of a request wherever something is done for it. */
export type RequestContext = {
  /** Its id: in the answer, in a problem, and in every line that is logged for it. */
  id: string;
  /** The address it comes from. */
  address: string;
};

// Next bundles routes apart from the front; one storage per process is kept where all of them find it.
const shared = globalThis as { hobbinRequest?: AsyncLocalStorage<RequestContext> };
const storage = (shared.hobbinRequest ??= new AsyncLocalStorage<RequestContext>());

/** Does what a request wants, so that everything done for it knows it. */
export const inRequest = <T>(context: RequestContext, work: () => T): T => storage.run(context, work);

/** The id of the request something is done for; nothing outside of one. */
export const requestId = (): string | undefined => storage.getStore()?.id;

/** The address the request comes from something is done for; nothing outside of one, or where no front knows it. */
export const requestAddress = (): string | undefined => storage.getStore()?.address;
