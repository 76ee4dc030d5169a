import { personHere, read } from "@/app/read";
import { Account } from "@/ui/account/account";

export const metadata = { title: "Account" };
export default async function Page() {
  const me = await personHere("/account");
  const [teams, tokens, wishes] = await Promise.all([
    read("teams.read", {}),
    read("tokens.read", {}),
    read("notices.wishes", {}),
  ]);
  return <Account me={me} {...teams} {...tokens} {...wishes} />;
}
