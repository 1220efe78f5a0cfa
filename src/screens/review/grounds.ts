export type Ground = 'film' | 'white' | 'ink' | 'night'

/** The sheet's backgrounds: colour, the colours of text, snags and hairlines on it, and the visible palette colours. */
export type Look = {
  readonly color: string
  readonly text: string
  readonly snag: string
  readonly hair: string
  readonly palette: 'light' | 'dark'
}

export const GROUNDS: Record<Ground, Look> = {
  film: { color: '#fbfcfb', text: '#55645f', snag: '#965900', hair: '#c9d3cf', palette: 'light' },
  white: { color: '#ffffff', text: '#55645f', snag: '#965900', hair: '#d9dedb', palette: 'light' },
  ink: { color: '#14231f', text: '#9dafa8', snag: '#e0a13a', hair: '#33423d', palette: 'dark' },
  night: { color: '#000000', text: '#9a9a9a', snag: '#e0a13a', hair: '#2c2c2c', palette: 'dark' },
}
