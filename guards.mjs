/** What every answer of the server says of what may be done with it. */
export const GUARDS = [
  { key: 'x-content-type-options', value: 'nosniff' },
  { key: 'referrer-policy', value: 'same-origin' },
  { key: 'x-frame-options', value: 'DENY' },
  { key: 'cross-origin-resource-policy', value: 'same-origin' },
]
