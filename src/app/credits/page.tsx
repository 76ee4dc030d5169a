import { readFileSync } from "node:fs";
import { Credits } from "@/ui/account/credits";

export const metadata = { title: "Whose work is in Hobbin" };
export default function Page() {
  return <Credits notice={readFileSync("NOTICE", "utf8")} />;
}
