/** From now on the page of a test stands at this address, as if it had been opened there. */
export function standAt(address: string): void {
  (window as unknown as { happyDOM: { setURL(url: string): void } }).happyDOM.setURL(address);
}
