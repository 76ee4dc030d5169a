"use client";

import { useQuery } from "@tanstack/react-query";
import dynamic from "next/dynamic";
import { useState } from "react";
import { TabPanel, Tabs } from "../../parts/tabs";
import { ask } from "../../talk/call";
import type { SupplyProps } from "./supply-props";

// What the tabs show comes a moment after the page; so do their scripts.
const Tray = dynamic(() => import("./supply-tray").then((m) => m.Tray), {
  ssr: false,
  loading: () => <p className="min-h-[37px] border-b border-line" />,
});
const Catalogue = dynamic(() => import("./supply-tabs").then((m) => m.Catalogue), { ssr: false });
const Lent = dynamic(() => import("./supply-lent").then((m) => m.Lent), { ssr: false });
const Others = dynamic(() => import("./supply-tabs").then((m) => m.Others), { ssr: false });

type Props = SupplyProps & { collection: string; end?: React.ReactNode };

/** The supply side: the Tray, the catalogue, other collections, what others made public. Things go over by drag, by a key, by double click. */
export function Supply({ team, collection, here, onPlace, end }: Props) {
  const [tab, setTab] = useState<"tray" | "catalogue" | "others" | "shelves">("tray");
  const tray = useQuery({ queryKey: ["tray", team], queryFn: () => ask("tray.read", { team }) });
  const count = tray.data?.count ?? 0;
  return (
    <Tabs
      label="Where things come from"
      value={tab}
      onChange={setTab}
      end={end}
      tabs={[
        { value: "tray", label: `Tray ${count || ""}` },
        { value: "catalogue", label: "Catalogue" },
        { value: "others", label: "Collections" },
        { value: "shelves", label: "Shelves" },
      ]}
    >
      <TabPanel value="tray">
        <Tray
          {...{ team, here, onPlace }}
          entries={tray.data?.entries ?? null}
          minutes={tray.data?.minutes ?? 0}
          oldest={tray.data?.oldest ?? null}
        />
      </TabPanel>
      <TabPanel value="catalogue">
        <Catalogue {...{ team, here, onPlace }} />
      </TabPanel>
      <TabPanel value="shelves">
        <Lent onPlace={onPlace} />
      </TabPanel>
      <TabPanel value="others">
        <Others {...{ team, collection, here, onPlace }} />
      </TabPanel>
    </Tabs>
  );
}
