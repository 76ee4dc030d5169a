import type { Brought } from "@/core/imports/brought";
import { LINES_AT_ONCE } from "@/core/imports/check-lines";
import { ask, call, Refusal } from "../talk/call";
import { newId } from "../talk/ids";

const TRIES = 6;

/**
 * Sends an import and starts it. What cannot be delivered just now is tried again for half a minute; as every part
 * has its number, none counts twice.
 * @param onSent told how many lines have arrived
 */
export async function sendImport(
  where: { team: string; into?: string | null; section?: string | null },
  name: string,
  { places, lines, separator }: Omit<Brought, "passedOver">,
  onSent: (lines: number) => void = () => undefined,
): Promise<string> {
  const intake = newId();
  await insist(() =>
    call("imports.stage", { ...where, import: intake, name, separator, places, total: lines.length }),
  );
  for (let at = 0; at < lines.length; at += LINES_AT_ONCE) {
    const part = lines.slice(at, at + LINES_AT_ONCE);
    await insist(() => call("imports.add-lines", { import: intake, no: at / LINES_AT_ONCE, lines: part }));
    onSent(at + part.length);
  }
  await insist(() => call("imports.set", { import: intake, transition: "start" }));
  return intake;
}

/** Which of many addresses the team has already, asked some thousand at a time. */
export async function findKnown(team: string, addresses: string[]): Promise<(string | null)[]> {
  const parts: string[][] = [];
  for (let i = 0; i < addresses.length; i += 2500) parts.push(addresses.slice(i, i + 2500));
  const known: (string | null)[] = [];
  for (const part of parts) known.push(...(await ask("resources.known", { team, addresses: part })).known);
  return known;
}

async function insist<T>(send: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await send();
    } catch (error) {
      const passing = error instanceof Refusal && (error.status === 0 || error.status >= 500);
      if (!passing || attempt === TRIES) throw error;
      await new Promise((resolve) => setTimeout(resolve, 500 * 2 ** attempt));
    }
  }
}
