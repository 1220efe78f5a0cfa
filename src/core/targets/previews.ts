import { realSize } from '../rules/real-size'
import type { IconRenderer } from './icon-renderer'
import type { Preview } from './target'

const GROUNDS = ['light', 'dark'] as const

/** An icon in a place, on light and dark ground. */
const plain = (renderer: IconRenderer, word: string, place: Preview['place']): Preview[] =>
  GROUNDS.map((on) => ({
    word: `${word}, ${on}`,
    place,
    on,
    picture: renderer.picture(realSize(renderer.rules), on),
  }))

export const barPreviews = (renderer: IconRenderer): Preview[] => plain(renderer, 'tool bar', 'tool bar')
export const textPreviews = (renderer: IconRenderer): Preview[] => plain(renderer, 'with text', 'text')
export const tabBarPreviews = (renderer: IconRenderer): Preview[] => plain(renderer, 'tab bar', 'tab bar')
