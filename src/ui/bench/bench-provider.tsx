"use client";

import { createContext, useContext, useState } from "react";
import { BenchContext } from "./state/bench-context";
import { NewsContext, newsFrom } from "./news/news-context";
import { TalkContext, useTalkCounts } from "./talk/use-talk";
import { type BenchProps, useBenchOf, type Workshop } from "./state/use-bench";

const WorkshopContext = createContext<Workshop | null>(null);

/** What is on the Bench, for its large parts; rows and cards go by `useBench`, which changes less often. */
export const useWorkshop = () => useContext(WorkshopContext)!;

/** Holds the state of the Bench for everything that is drawn inside. */
export function BenchProvider({ children, ...props }: BenchProps & { children: React.ReactNode }) {
  const workshop = useBenchOf(props);
  const talk = useTalkCounts(workshop.id, props.talk);
  const [news] = useState(() => newsFrom(props.news));
  return (
    <WorkshopContext.Provider value={workshop}>
      <BenchContext.Provider value={workshop.context}>
        <TalkContext.Provider value={talk}>
          <NewsContext.Provider value={news}>{children}</NewsContext.Provider>
        </TalkContext.Provider>
      </BenchContext.Provider>
    </WorkshopContext.Provider>
  );
}
