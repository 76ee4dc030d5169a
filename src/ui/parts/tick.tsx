type Props = { on: boolean; onSet: (on: boolean) => void; words: string; more?: string };

/** Something that is so or not, in words, with what follows from it below. */
export const Tick = ({ on, onSet, words, more }: Props) => (
  <label className="flex min-h-11 items-start gap-2.5 py-1.5 text-[15px]">
    <input
      type="checkbox"
      className="mt-0.5 size-5 shrink-0 accent-accent"
      checked={on}
      onChange={(event) => onSet(event.target.checked)}
    />
    <span className="min-w-0 break-words">
      {words}
      {more && <span className="block text-sm text-quiet">{more}</span>}
    </span>
  </label>
);
