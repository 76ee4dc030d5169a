"use client";

import { Choices } from "../parts/choices";

type Props = {
  withName: boolean;
  onChange: (withName: boolean) => void;
  /** What goes with the name. */
  without: string;
};

/** Whether what one made goes on saying who made it, asked of somebody who leaves. */
export const WithName = ({ withName, onChange, without }: Props) => (
  <Choices
    label="What you made stays"
    disabled={false}
    value={withName ? "with" : "without"}
    onChange={(value) => onChange(value === "with")}
    options={[
      {
        value: "with",
        words: "What I made keeps my name",
        means: "Comments, marks and finds go on saying whose they are.",
      },
      { value: "without", words: "My name comes off it", means: without },
    ]}
  />
);
