import { clsx } from "clsx";
import { forwardRef } from "react";
import { Tip } from "./tip";

type Props = React.ButtonHTMLAttributes<HTMLButtonElement> & {
  look?: "accent" | "line" | "quiet" | "stop";
  small?: boolean;
};

const LOOKS = {
  accent: "bg-accent text-on-accent border-accent hover:brightness-110",
  line: "bg-sheet text-accent border-accent hover:bg-wash",
  quiet: "bg-transparent text-ink border-transparent hover:bg-wash",
  stop: "bg-sheet text-stop border-stop hover:bg-sunk",
};

/** The look of a button, for links that act like one. */
export const buttonLook = (look: keyof typeof LOOKS = "line", small = false) =>
  clsx(
    "inline-flex items-center justify-center gap-2 rounded-md border font-semibold whitespace-nowrap select-none disabled:opacity-60 disabled:cursor-not-allowed",
    small ? "h-8 px-3 text-sm" : "h-10 px-4 text-[15px]",
    LOOKS[look],
  );

export const Button = forwardRef<HTMLButtonElement, Props>(function Button(
  { look = "line", small, className, type = "button", ...rest },
  ref,
) {
  return <button ref={ref} type={type} className={clsx(buttonLook(look, small), className)} {...rest} />;
});

/** A button that shows only an icon; its name is for those who cannot see it, and in a tooltip. */
export function IconButton({ label, className, ...rest }: Props & { label: string }) {
  return (
    <Tip words={label}>
      <button
        type="button"
        aria-label={label}
        className={clsx(
          "inline-flex size-9 items-center justify-center rounded-md text-quiet hover:bg-wash hover:text-ink",
          className,
        )}
        {...rest}
      />
    </Tip>
  );
}
