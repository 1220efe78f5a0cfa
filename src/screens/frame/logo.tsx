/** The product's mark: two angles that hold a square open. */
export function Logo() {
  return (
    <svg width="26" height="26" viewBox="0 0 30 30" fill="none" aria-hidden>
      <path d="M3 3v24h24" stroke="var(--ink)" strokeWidth="3" />
      <path d="M9 3h18v18" stroke="var(--hand)" strokeWidth="3" />
      <path d="M9 21 21 9" stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  )
}
