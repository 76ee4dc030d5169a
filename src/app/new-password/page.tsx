import { NewPassword } from "@/ui/account/new-password";

export const metadata = { title: "New password" };
type Asked = { token?: string; welcome?: string; next?: string };
export default async function Page({ searchParams }: { searchParams: Promise<Asked> }) {
  return <NewPassword {...await searchParams} />;
}
