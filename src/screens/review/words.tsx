/** One of several words, chosen from a list. */
export function Words<T extends string>({
  label,
  word,
  value,
  options,
  names = {},
  hints = {},
  onChange,
}: {
  label: string
  word: string
  value: T
  options: readonly T[]
  names?: Partial<Record<T, string>>
  hints?: Partial<Record<T, string>>
  onChange: (value: T) => void
}) {
  return (
    <label className="flex h-full items-center gap-1 border-r border-hair px-1.5" title={hints[value]}>
      <span>{word}</span>
      <select
        aria-label={label}
        value={value}
        onChange={({ target }) => onChange(target.value as T)}
        className="max-w-[104px] bg-transparent text-ink"
      >
        {options.map((one) => (
          <option key={one} value={one} title={hints[one]}>
            {names[one] ?? one}
          </option>
        ))}
      </select>
    </label>
  )
}
