import { headers } from "next/headers";
import { notFound, redirect } from "next/navigation";
import { cache } from "react";
import type { Actor } from "@/mechanism/actor";
import { Problem } from "@/mechanism/problem";
import { actorOf } from "@/services/accounts/actor-of-request";
import { type ActionName, ACTIONS, type Answer } from "@/services/registry";

/** Who asks, looked up once a page: it reads several things. */
const actorHere = cache(async (): Promise<Actor> => actorOf(await headers()));

/** Who opens this page; a stranger is sent to sign in and comes back afterwards. */
export async function personHere(back: string): Promise<NonNullable<Actor["person"]>> {
  const { person } = await actorHere();
  return person ?? redirect(`/sign-in?next=${encodeURIComponent(back)}`);
}

/** Reads for a page by the same actions, actor and policy as everybody, in the shape JSON gives it. */
export async function read<N extends ActionName>(name: N, input: object): Promise<Answer<N>> {
  try {
    const answer = await ACTIONS[name].call(await actorHere(), input);
    return JSON.parse(JSON.stringify(answer)) as Answer<N>;
  } catch (error) {
    if (error instanceof Problem && error.kind === "not-signed-in") redirect("/sign-in");
    if (error instanceof Problem && error.kind !== "busy") notFound();
    throw error;
  }
}
