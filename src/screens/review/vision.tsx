/** Views of the sheet: plain, from afar, without colour, and with simulated colour blindness. */
export type Vision = 'plain' | 'blurred' | 'grey' | 'no red' | 'no green' | 'no blue'

export const VISIONS: readonly Vision[] = ['plain', 'blurred', 'grey', 'no red', 'no green', 'no blue']

export const VISION_HINTS: Record<Vision, string> = {
  plain: 'As it is',
  blurred: 'Eyes half closed: what is left of each silhouette',
  grey: 'Without colour: by lightness alone',
  'no red': 'Protanopia: without the cones for red',
  'no green': 'Deuteranopia: without the cones for green',
  'no blue': 'Tritanopia: without the cones for blue',
}

/** What becomes of red, green and blue, row by row, in linear light (Machado, Oliveira and Fernandes 2009, severity 1). */
const MATRICES: Partial<Record<Vision, readonly number[]>> = {
  'no red': [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  'no green': [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  'no blue': [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
}

/** The CSS filter by which something is seen so. */
export const filterOf = (vision: Vision): string | undefined =>
  vision === 'plain'
    ? undefined
    : vision === 'blurred'
      ? 'blur(1.5px)'
      : vision === 'grey'
        ? 'grayscale(1)'
        : `url(#vision-${vision.replace(' ', '-')})`

/** The filters that CSS does not have of itself. */
export function VisionFilters() {
  return (
    <svg aria-hidden width={0} height={0} className="absolute">
      {Object.entries(MATRICES).map(([vision, [a, b, c, d, e, f, g, h, i]]) => (
        <filter key={vision} id={`vision-${vision.replace(' ', '-')}`} colorInterpolationFilters="linearRGB">
          <feColorMatrix values={`${a} ${b} ${c} 0 0 ${d} ${e} ${f} 0 0 ${g} ${h} ${i} 0 0 0 0 0 1 0`} />
        </filter>
      ))}
    </svg>
  )
}
