import type { Session } from './session'

/** How often a window says again that it is there, in milliseconds. */
const BEAT = 45_000

/** Tells the server which icon of a set this window shows, until it is left; returns the way to leave. */
export function visit(session: Session): () => void {
  const { setId, saver } = session.getState()
  const tell = (set: string | null, icon: string | null) =>
    void fetch('/api/presence', {
      method: 'POST',
      keepalive: true,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ window: saver.writer, set, icon }),
    }).catch(() => undefined)
  const here = () => tell(setId, session.getState().lastIcon)
  const gone = () => tell(null, null)
  here()
  const beat = setInterval(here, BEAT)
  const unsubscribe = session.subscribe((state, before) => state.lastIcon !== before.lastIcon && here())
  window.addEventListener('pagehide', gone)
  return () => {
    clearInterval(beat)
    unsubscribe()
    window.removeEventListener('pagehide', gone)
    gone()
  }
}
