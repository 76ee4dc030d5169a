/// <reference types="chrome" />
import { v7 } from "uuid";

/** How the extension talks to Hobbin: the actions of its open interface, with a token that only brings things in. */

export type Pairing = { address: string; token: string; person: string };
export type Problem = { status: number; words: string };

export const stored = async <T>(key: string): Promise<T | undefined> =>
  (await chrome.storage.local.get(key))[key] as T | undefined;
export const store = (values: Record<string, unknown>): Promise<void> => chrome.storage.local.set(values);

export const forget = (...keys: string[]): Promise<void> => chrome.storage.local.remove(keys);
/** Everything stored under names that begin alike, in the order of the names. */
export async function storedUnder<T>(prefix: string): Promise<[string, T][]> {
  const all = (await chrome.storage.local.get(null)) as Record<string, T>;
  return Object.entries(all)
    .filter(([key]) => key.startsWith(prefix))
    .sort(([a], [b]) => (a < b ? -1 : 1));
}

/**
 * Calls an action.
 * @param pairing where Hobbin is and by which token
 * @param name of the action
 * @param input as the action takes it
 * @throws {Problem} with status 0 when Hobbin cannot be reached
 */
export async function call<T>(pairing: Pairing, name: string, input: object): Promise<T> {
  const answer = await reach(`${pairing.address}/api/actions/${name}`, {
    method: "POST",
    headers: { "content-type": "application/json", authorization: `Bearer ${pairing.token}` },
    body: JSON.stringify(input),
  });
  return (await answer.json()) as T;
}

/**
 * Sends a file by the tus protocol, in one piece.
 * @param name what the file is called
 * @param content all of it
 * @returns the upload's id
 */
export async function sendFile(pairing: Pairing, team: string, name: string, content: Blob): Promise<string> {
  const encode = (text: string) => btoa(String.fromCharCode(...new TextEncoder().encode(text)));
  const answer = await reach(`${pairing.address}/api/files`, {
    method: "POST",
    headers: {
      authorization: `Bearer ${pairing.token}`,
      "tus-resumable": "1.0.0",
      "upload-length": String(content.size),
      "upload-metadata": `filename ${encode(name)},team ${encode(team)}`,
      "content-type": "application/offset+octet-stream",
    },
    body: content,
  });
  return answer.headers.get("location")!.split("/").at(-1)!;
}

async function reach(address: string, options: RequestInit): Promise<Response> {
  const answer = await fetch(address, { ...options, credentials: "omit" }).catch(() => {
    throw { status: 0, words: "Hobbin cannot be reached just now." } satisfies Problem;
  });
  if (answer.ok) return answer;
  const said = (await answer.json().catch(() => ({}))) as { detail?: string; errors?: { detail: string }[] };
  throw {
    status: answer.status,
    words: said.errors?.[0]?.detail ?? said.detail ?? "Hobbin refused this.",
  } satisfies Problem;
}

/** A new id, made here so that what is sent twice is done once. */
export const newId = (): string => v7();
