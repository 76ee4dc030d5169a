import { SignIn } from "@/ui/account/sign-in";

export const metadata = { title: "Sign in" };
export default async function Page({ searchParams }: { searchParams: Promise<{ next?: string }> }) {
  return <SignIn next={(await searchParams).next} />;
}
