/** Stops as CSS paints them: shares of the way, colours without names. */
export const cssStops = (
  stops: readonly { readonly at: number; readonly color: string; readonly opacity?: number | undefined }[],
): string =>
  stops
    .map(({ at, color, opacity = 1 }) => `color-mix(in srgb, ${color} ${opacity * 100}%, transparent) ${at * 100}%`)
    .join(', ')
