import { Gate } from "./gate";

/** A web address in running text, without the sign behind it. */
const ADDRESS = /(https:\/\/[^\s,;]+[^\s,;.])/;

/**
 * Whose work is in Hobbin, for those whose licences ask to be named where it is used.
 * @param notice the file of that name: paragraphs, each after the first “name: the rest”
 */
export function Credits({ notice }: { notice: string }) {
  const [about, ...all] = notice.trim().split(/\n\s*\n/);
  return (
    <Gate title="Whose work is in Hobbin" about={about}>
      <ul className="flex flex-col gap-4">
        {all.map((one) => {
          const words = one.replace(/\s+/g, " ");
          const [name] = words.split(":", 1);
          return (
            <li key={name} className="border-t border-line pt-3 break-words">
              <span className="block font-semibold">{name}</span>
              {words
                .slice(name!.length + 1)
                .trim()
                .split(ADDRESS)
                .map((part, i) =>
                  i % 2 ? (
                    <a key={i} href={part} rel="noreferrer" className="text-accent underline">
                      {part}
                    </a>
                  ) : (
                    part
                  ),
                )}
            </li>
          );
        })}
      </ul>
    </Gate>
  );
}
