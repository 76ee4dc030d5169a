import { addressOfHobbin } from "@/services/accounts/address";
import { ofTeam } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { Newsletter } from "@/ui/newsletter/newsletter";

export const metadata = { title: "The next issue" };
export default async function Page({ params }: { params: Promise<{ collection: string }> }) {
  const { collection: id } = await params;
  const path = `/publish/${id}/newsletter`;
  await personHere(path);
  const { collection } = await read("collections.read", { collection: id });
  const first = await read("newsletters.read", { collection: id });
  const { code } = await read("share.read", { collection: id });
  const frame = await ofTeam(collection.team, path);
  return (
    <Newsletter
      key={id}
      {...frame}
      collection={collection}
      first={first}
      link={code && `${addressOfHobbin()}/c/${code}`}
    />
  );
}
