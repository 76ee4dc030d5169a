/** What is said in a film or a sound, where that is written down. */
export const Spoken = ({
  id,
  captionsHash,
  language,
}: {
  id: string;
  captionsHash: string | null;
  language: string | null;
}) =>
  captionsHash && (
    <track
      default
      kind="captions"
      label="Captions"
      srcLang={language ?? "en"}
      // Others under the same address are others by their hash.
      src={`/api/captions/${id}?${captionsHash.slice(0, 8)}`}
    />
  );
