import { SignUp } from "@/ui/account/sign-up";

export const metadata = { title: "Sign up" };
export default async function Page({ searchParams }: { searchParams: Promise<{ next?: string }> }) {
  return <SignUp next={(await searchParams).next} />;
}
