/** A part of the page of the stewards, under its heading. */
export const Part = ({ id, title, children }: { id: string; title: string; children: React.ReactNode }) => (
  <section aria-labelledby={id}>
    <h2 id={id} className="border-b border-line pb-1.5 text-base font-semibold">
      {title}
    </h2>
    {children}
  </section>
);
