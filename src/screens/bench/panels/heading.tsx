/** A heading in the proofs column, with controls at its right. */
export function Heading({ title, note }: { title: string; note: React.ReactNode }) {
  return (
    <div className="flex min-h-8 items-center justify-between gap-2 px-3 pt-1.5 pb-1">
      <h2 className="font-[640]">{title}</h2>
      <div className="truncate text-quiet">{note}</div>
    </div>
  )
}
