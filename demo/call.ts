import type { Actor } from "@/mechanism/actor";
import { ACTIONS, type ActionName } from "@/services/registry";

type Answered<N extends ActionName> = Awaited<ReturnType<(typeof ACTIONS)[N]["call"]>>;

/** Does something as somebody of the demo does it, with all the rules that hold for them. */
export const call = <N extends ActionName>(actor: Actor, name: N, input: object): Promise<Answered<N>> =>
  ACTIONS[name].call(actor, input) as Promise<Answered<N>>;
