import { createHmac } from "node:crypto";
import { settings } from "@/outside/settings";

/** The cookie by which a browser is known that somebody has signed in with before. */
const NAME = "hobbin.device";
const MOST = 5;
const YEAR = 365 * 86_400;

const markOf = (email: string) =>
  createHmac("sha256", settings().secret).update(`device ${email}`).digest("base64url");

const marksIn = (cookies: string) =>
  (new RegExp(`(?:^|; )${NAME.replace(".", "\\.")}=([\\w.-]*)`).exec(cookies)?.[1] ?? "")
    .split(".")
    .filter(Boolean);

/**
 * Whether somebody has signed in to this account with this browser before: a stranger's wrong tries do not count here.
 * @param cookies the request's head of cookies
 */
export const isKnownDevice = (cookies: string, email: string): boolean =>
  marksIn(cookies).includes(markOf(email));

/** The cookie that makes this browser known for this account from now on, beside others of the same people. */
export function knownDevice(cookies: string, email: string): string {
  const mark = markOf(email);
  const marks = [mark, ...marksIn(cookies).filter((one) => one !== mark)].slice(0, MOST);
  const secure = settings().address.startsWith("https:") ? "; Secure" : "";
  return `${NAME}=${marks.join(".")}; Path=/api/auth; Max-Age=${YEAR}; HttpOnly; SameSite=Lax${secure}`;
}
