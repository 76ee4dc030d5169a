import { read } from "@/app/read";
import { Suggest } from "@/ui/suggestions/suggest";

// The address opens it, so it is told to nobody.
export const metadata = { title: "Suggest something", referrer: "no-referrer", robots: { index: false } };
export default async function Page({ params }: { params: Promise<{ page: string }> }) {
  const { page } = await params;
  return <Suggest page={page} giver={null} shown={await read("suggestions.page", { page })} />;
}
