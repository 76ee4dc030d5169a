import { verifyPassword } from "better-auth/crypto";
import { passwordOf } from "@/data/queries/leaving";
import type { Actor } from "@/mechanism/actor";
import { database } from "@/mechanism/changing";
import { wasRight, within } from "@/mechanism/limits";
import { fieldProblem, Problem } from "@/mechanism/problem";

/**
 * Asks for the password once more, before what nobody takes back: a screen that was left open is not its person.
 * @throws {Problem} beside `password`, or too-many-tries: wrong ones count as those of signing in do
 */
export async function mustBeRightPassword({ person }: Actor, password: string): Promise<void> {
  if (!person) throw new Problem("not-signed-in");
  const account = person.email.toLowerCase();
  if (!(await within("wrongTries", account))) throw new Problem("too-many-tries");
  const hash = await passwordOf(database(), person.id);
  if (hash === null || !(await verifyPassword({ hash, password })))
    throw fieldProblem("password", "password-wrong");
  await wasRight("wrongTries", account);
}
