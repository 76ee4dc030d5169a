import type { Answer } from "@/services/registry";
import { Day } from "../parts/day";

type Deed = Answer<"stewards.read">["deeds"][number];

const SAYS: Record<Deed["kind"], string> = {
  hide: "hid",
  show: "showed again",
  leave: "looked at what was reported, and left",
  answer: "answered about",
  "sign-up": "set who may sign up:",
  shelves: "set who finds what is public:",
  named: "named a steward:",
  "let-go": "let a steward go:",
};

/** What stewards did and teams answered, that first that came last. */
export const Deeds = ({ deeds }: { deeds: readonly Deed[] }) =>
  deeds.length ? (
    <ul>
      {deeds.map((one) => (
        <li key={one.id} className="border-b border-line py-2 text-[15px] break-words">
          <span className="text-quiet">
            <Day of={one.at} />,{" "}
          </span>
          {one.by ?? "who runs Hobbin here"} {SAYS[one.kind]}
          {one.title && ` “${one.title}” of ${one.teamName}`}
          {one.words && (one.title ? `: “${one.words}”` : ` ${one.words}`)}
        </li>
      ))}
    </ul>
  ) : (
    <p className="py-3 text-quiet">Nothing yet.</p>
  );
