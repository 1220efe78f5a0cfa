import { realSize } from '../rules/real-size'
import type { Portrait } from './portrait'
import type { Sight } from './target'

const GROUNDS = ['light', 'dark'] as const

/** An icon as it is, in a place, on light and dark ground. */
const plain = (portrait: Portrait, word: string, place: Sight['place']): Sight[] =>
  GROUNDS.map((on) => ({
    word: `${word}, ${on}`,
    place,
    on,
    svg: portrait.document(realSize(portrait.rules), on),
  }))

export const barSights = (portrait: Portrait): Sight[] => plain(portrait, 'tool bar', 'tool bar')
export const textSights = (portrait: Portrait): Sight[] => plain(portrait, 'with text', 'text')
export const tabBarSights = (portrait: Portrait): Sight[] => plain(portrait, 'tab bar', 'tab bar')
