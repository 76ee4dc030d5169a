import { ofTeam } from "@/app/of-team";
import { read } from "@/app/read";
import { may } from "@/core/policy/abilities";
import { Appraisal } from "@/ui/weigh/appraisal";

export const metadata = { title: "Appraisal" };
type Props = { params: Promise<{ team: string }>; searchParams: Promise<{ after?: string | string[] }> };
export default async function Page({ params, searchParams }: Props) {
  const [{ team }, { after }] = [await params, await searchParams];
  const frame = await ofTeam(team, `/team/${team}/appraisal`);
  const [{ criteria }, { rounds }, { collections }, { members }] = await Promise.all([
    read("criteria.read", { team }),
    read("rounds.read", { team }),
    read("collections.tree", { team }),
    read("members.read", { team }),
  ]);
  const people = members.filter(({ role }) => may(role, "bring")).map(({ id, name }) => ({ id, name }));
  return (
    <Appraisal
      {...frame}
      {...{ collections, people }}
      first={{ criteria, rounds }}
      after={typeof after === "string" ? after : null}
    />
  );
}
