"use client";

import dynamic from "next/dynamic";
import { useWorkshop } from "./bench-provider";

// Not in the first load.
const UploadsPanel = dynamic(() => import("../imports/uploads-panel").then((m) => m.UploadsPanel), {
  ssr: false,
});
const Ask = dynamic(() => import("./dialogs/ask").then((m) => m.Ask), { ssr: false });
const BenchDialogs = dynamic(() => import("./dialogs/bench-dialogs").then((m) => m.BenchDialogs), {
  ssr: false,
});

/** What comes over the Bench for a while: files on their way, questions, the ways to bring something in. */
export function Windows({ team }: { team: string }) {
  const { head, items, state, dispatch, bringing, spotSection, arranges, capture, send } = useWorkshop();
  const { asking, window } = state;
  return (
    <>
      {bringing.sending && <UploadsPanel />}
      <p aria-live="polite" className="sr-only">
        {state.said}
      </p>
      {asking && (
        <Ask
          asking={asking}
          items={items}
          sections={head.sections}
          collectionTitle={head.collection.title}
          onClose={() => dispatch({ type: "ask", asking: null })}
          send={send}
        />
      )}
      {(window || bringing.brings) && (
        <BenchDialogs
          open={window}
          brings={bringing.brings}
          team={team}
          collection={head.collection}
          section={spotSection}
          arranges={arranges}
          capture={capture}
          onOpen={(next) => dispatch({ type: "window", window: next })}
          onBrings={bringing.setBrings}
        />
      )}
    </>
  );
}
