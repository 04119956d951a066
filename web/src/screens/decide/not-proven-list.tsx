/** What is not proven, beside every conclusion; never cut off here. */
export function NotProvenList({ lines }: { readonly lines: readonly string[] }) {
  return (
    <section className="mt-5 bg-marigold-tint px-4 py-3">
      <h2 className="m-0 text-[16px] font-bold text-marigold">Not proven</h2>
      <ul className="m-0 columns-2 list-none gap-8 p-0 text-[15px] max-lg:columns-1">
        {lines.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
        {lines.length === 0 && <li>Every test of the sheet is taken.</li>}
      </ul>
    </section>
  );
}
