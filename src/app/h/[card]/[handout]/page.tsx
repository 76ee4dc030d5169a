import { read } from "@/app/read";
import { SheetPage } from "@/ui/sheets/sheet";

// The address opens it, so it is told to nobody.
export const metadata = { title: "What you were given", referrer: "no-referrer", robots: { index: false } };
export default async function Page({ params }: { params: Promise<{ card: string; handout: string }> }) {
  const { card, handout } = await params;
  return (
    <SheetPage
      key={handout}
      card={card}
      handout={handout}
      first={await read("sheets.read", { card, handout })}
    />
  );
}
