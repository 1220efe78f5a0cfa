import { config } from 'zod'

// The policy of the pages forbids compiled validators; without this each page would try one in vain.
config({ jitless: true })
