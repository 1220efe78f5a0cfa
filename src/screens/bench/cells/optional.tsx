/** A value; where there is none, `otherwise`, by default a dash. */
export function Optional<T>({
  there,
  otherwise = <Nothing />,
  children,
}: {
  there: T | null | undefined
  otherwise?: React.ReactNode
  children: (value: T) => React.ReactNode
}) {
  return there === null || there === undefined ? otherwise : children(there)
}

/** The dash of a cell without a value. */
export const Nothing = () => <span className="px-1 text-quiet/70">–</span>
