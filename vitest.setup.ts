import fc from 'fast-check'
import { runs } from './src/testing/runs'

// The same cases each time: a build fails for what changed, not by chance. `npm run fuzz` looks for new ones.
fc.configureGlobal({ seed: 20261125, ...runs(100) })
