import { Check } from "lucide-react";

/** Whether an item is chosen, while several are being chosen by pressing them. The item itself says so to readers. */
export const Tick = ({ on }: { on: boolean }) => (
  <span
    className={`inline-flex size-5 items-center justify-center rounded border align-text-bottom ${on ? "border-accent bg-accent text-on-accent" : "border-edge bg-sheet"}`}
  >
    {on && <Check size={14} aria-hidden />}
  </span>
);
