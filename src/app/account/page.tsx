import { personHere, read } from "@/app/read";
import { Account } from "@/ui/account/account";

export const metadata = { title: "Account" };
export default async function Page({ searchParams }: { searchParams: Promise<{ address?: string }> }) {
  const { address } = await searchParams;
  const confirm = typeof address === "string" ? address : undefined;
  const me = await personHere(confirm ? `/account?address=${encodeURIComponent(confirm)}` : "/account");
  const [teams, tokens, wishes, care, page] = await Promise.all([
    read("teams.read", {}),
    read("tokens.read", {}),
    read("notices.wishes", {}),
    read("stewards.am-i", {}),
    read("people.page", {}),
  ]);
  return <Account me={me} {...teams} {...tokens} {...wishes} care={care} page={page} confirm={confirm} />;
}
