import { saySize } from "@/core/list/say-size";
import type { Answer } from "@/services/registry";

type Row = Answer<"teams.upkeep">["space"][number];

const WORDS: Record<Row["kind"], string> = {
  files: "Documents, recordings and other files",
  pictures: "Pictures of things and covers",
  texts: "Earlier reading copies, captions",
  editions: "Editions",
  others: "Letters, templates, files being fetched",
};

/** How much space the stored files of a team take, by what they are for. */
export function Space({ space }: { space: readonly Row[] }) {
  const sum = space.reduce((all, one) => all + one.bytes, 0);
  const most = Math.max(1, ...space.map((one) => one.bytes));
  return (
    <section aria-labelledby="space">
      <h2 id="space" className="border-b border-line pb-2 font-serif text-xl font-semibold">
        Space used: {saySize(sum)}
      </h2>
      <p className="mt-2 text-[15px] text-quiet">
        Stored files; the same file counts once. Texts and what is written stand in the database, besides.
      </p>
      <table className="mt-3 w-full text-[15px]">
        <thead className="sr-only">
          <tr>
            <th scope="col">What for</th>
            <th scope="col">Share</th>
            <th scope="col">Files</th>
            <th scope="col">Size</th>
          </tr>
        </thead>
        <tbody>
          {space.map(({ kind, files, bytes }) => (
            <tr key={kind} className="border-b border-line">
              <th scope="row" className="py-2 pr-4 text-left font-normal">
                {WORDS[kind]}
              </th>
              <td className="w-1/4 max-sm:hidden">
                <span
                  aria-hidden
                  className="block h-2.5 rounded-sm bg-accent"
                  style={{ width: `${(bytes / most) * 100}%` }}
                />
              </td>
              <td className="px-4 text-right text-quiet tabular-nums">
                {files.toLocaleString("en-GB")} {files === 1 ? "file" : "files"}
              </td>
              <td className="text-right tabular-nums">{bytes ? saySize(bytes) : "–"}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
