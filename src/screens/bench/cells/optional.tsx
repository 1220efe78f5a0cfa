/** A value, or a dash where there is none. */
export function Optional<T>({
  there,
  children,
}: {
  there: T | null | undefined
  children: (value: T) => React.ReactNode
}) {
  return there === null || there === undefined ? <span className="px-1 text-quiet/70">–</span> : children(there)
}
