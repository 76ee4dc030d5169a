import { read } from "@/app/read";
import { Card } from "@/ui/sheets/card";

// The address opens it, so it is told to nobody.
export const metadata = { title: "What you were given", referrer: "no-referrer", robots: { index: false } };
export default async function Page({ params }: { params: Promise<{ card: string }> }) {
  const { card } = await params;
  return <Card card={card} shown={await read("sheets.of-card", { card })} />;
}
