import Link from "next/link";
import { Cover } from "../parts/cover";
import { Logo } from "../parts/logo";

const THREADS = (
  [
    "page",
    "video",
    "document",
    "page",
    "sound",
    "picture",
    "page",
    "video",
    "page",
    "document",
    "sound",
    "page",
    "picture",
    "page",
    "video",
  ] as const
).map((kind, i) => ({ kind, minutes: 2 + ((i * 7) % 13) }));

/** The frame of the screens before one is signed in. */
export function Gate({
  title,
  about,
  children,
}: {
  title: string;
  about?: string;
  children: React.ReactNode;
}) {
  return (
    <main id="main" className="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-6 px-6 py-10">
      <Link href="/sign-in" className="flex items-center gap-2 text-xl font-semibold">
        <Logo /> Hobbin
      </Link>
      <Cover threads={[...THREADS]} tags={["water table", "moss"]} width={400} height={40} className="h-10" />
      <div>
        <h1 className="font-serif text-3xl font-semibold">{title}</h1>
        {about && <p className="mt-2 text-quiet">{about}</p>}
      </div>
      {children}
    </main>
  );
}
