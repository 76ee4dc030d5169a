import { NewPassword } from "@/ui/account/new-password";

export const metadata = { title: "New password" };
export default async function Page({ searchParams }: { searchParams: Promise<{ token?: string }> }) {
  return <NewPassword token={(await searchParams).token} />;
}
