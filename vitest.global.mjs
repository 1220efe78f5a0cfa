import { buildRenderer } from './bin/prepare.mjs'

/** The server's threads run a built file. */
export const setup = () => buildRenderer()
