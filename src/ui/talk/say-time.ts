import { formatDistanceToNowStrict } from "date-fns/formatDistanceToNowStrict";

/** "2 days ago", "just now". */
export function sayAgo(time: string): string {
  return Date.now() - Date.parse(time) < 60_000
    ? "just now"
    : formatDistanceToNowStrict(new Date(time), { addSuffix: true });
}

/** "2 days", for how long something has waited; null when it has only just come. */
export function saySince(time: string): string | null {
  return Date.now() - Date.parse(time) < 60_000 ? null : formatDistanceToNowStrict(new Date(time));
}
