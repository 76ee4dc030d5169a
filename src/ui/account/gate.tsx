import { Cover } from "../parts/cover";
import { Link } from "../parts/link";
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
  beside,
  children,
}: {
  title: string;
  about?: string;
  /** What stands beside it where there is room, else below. */
  beside?: React.ReactNode;
  children: React.ReactNode;
}) {
  const form = (
    <div className="flex w-full max-w-md flex-col gap-6">
      <Link href="/sign-in" className="flex items-center gap-2 text-xl font-semibold">
        <Logo /> Hobbin
      </Link>
      <Cover threads={[...THREADS]} tags={["water table", "moss"]} width={400} height={40} className="h-10" />
      <div>
        <h1 className="font-serif text-3xl font-semibold">{title}</h1>
        {about && <p className="mt-2 text-quiet">{about}</p>}
      </div>
      {children}
    </div>
  );
  const look = "mx-auto min-h-dvh gap-x-20 gap-y-12 px-6 py-10";
  return beside ? (
    <main
      id="main"
      className={`${look} grid max-w-6xl content-center lg:grid-cols-[minmax(0,1fr)_400px] lg:items-center`}
    >
      <div className="lg:order-2">{form}</div>
      {beside}
    </main>
  ) : (
    <main id="main" className={`${look} flex max-w-md flex-col justify-center`}>
      {form}
    </main>
  );
}
