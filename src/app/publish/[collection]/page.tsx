import { addressOfHobbin } from "@/services/accounts/address";
import { ofTeam } from "@/app/of-team";
import { personHere, read } from "@/app/read";
import { Publish } from "@/ui/publish/publish";

export const metadata = { title: "Publish" };
export default async function Page({ params }: { params: Promise<{ collection: string }> }) {
  const { collection: id } = await params;
  await personHere(`/publish/${id}`);
  const { collection } = await read("collections.read", { collection: id });
  const shared = await read("share.read", { collection: id });
  const frame = await ofTeam(collection.team, `/publish/${id}`);
  return (
    <Publish
      key={id}
      {...frame}
      collection={collection}
      shared={shared}
      address={addressOfHobbin()}
      preview={`/api/preview/${id}`}
    />
  );
}
