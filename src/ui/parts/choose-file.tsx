"use client";

import { type ComponentProps, useRef } from "react";
import { Button } from "./button";

type Props = Pick<ComponentProps<typeof Button>, "look" | "children"> & {
  /** What kind of file it is, for who does not see the button. */
  label: string;
  /** Which files are offered, by their ends. */
  accept: string;
  onChosen: (file: File) => void;
};

/** A small button that lets one choose a file of one's own. */
export function ChooseFile({ label, accept, look, children, onChosen }: Props) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={file}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) onChosen(chosen);
          // So that the same one can be chosen again.
          event.target.value = "";
        }}
      />
      <Button small look={look} onClick={() => file.current!.click()}>
        {children}
      </Button>
    </>
  );
}
