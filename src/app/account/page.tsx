import { personHere, read } from "@/app/read";
import { Account } from "@/ui/account/account";

export const metadata = { title: "Account" };
export default async function Page() {
  const me = await personHere("/account");
  return <Account me={me} {...await read("teams.read", {})} {...await read("tokens.read", {})} />;
}
