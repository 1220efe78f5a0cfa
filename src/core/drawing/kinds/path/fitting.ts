import { fittedPlace } from '../../model/fitting'
import { fittedRun } from './fitted-run'
import { type PathObject } from './schema'
import type { FittingFacet } from '../facets/fitting'

export const fitting: FittingFacet<PathObject> = {
  // What a hand drew is smoothed anew from its trace: it is kept as a whole.
  fit: ({ trace, ...object }, to) =>
    trace
      ? null
      : {
          ...object,
          contours: object.contours.map((run) => fittedRun(run, to)),
          ...(object.regions && { regions: object.regions.map((p) => fittedPlace(p, to)) }),
        },
}
