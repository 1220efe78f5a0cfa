import type { Told } from '@/core/saving/told'

/** The one window of a browser that listens to the server holds this lock; the others hear it from that one. */
const LOCK = 'wise-square listener'

const hearers = new Set<(told: Told) => void>()
let channel: BroadcastChannel | null = null

const hear = (told: Told): void => hearers.forEach((one) => one(told))

/**
 * Listens to the server and to other windows of this browser, until the returned function is called. All windows of a
 * browser share one connection: browsers allow six per server.
 */
export function hearOf(hearer: (told: Told) => void): () => void {
  begin()
  hearers.add(hearer)
  return () => hearers.delete(hearer)
}

/** Tells the other windows of this browser. */
export function announce(told: Told): void {
  begin()
  channel?.postMessage(told)
}

function begin(): void {
  if (channel || typeof BroadcastChannel === 'undefined') return
  channel = new BroadcastChannel('wise-square')
  channel.onmessage = ({ data }: MessageEvent<Told>) => hear(data)
  if (typeof EventSource === 'undefined') return
  // Held until the window is gone; then another one listens.
  const listening = navigator.locks?.request(LOCK, () => new Promise<void>(() => listen()))
  listening?.catch(() => undefined)
}

function listen(): void {
  const source = new EventSource('/api/events')
  const pass = (told: Told) => {
    announce(told)
    hear(told)
  }
  // Whatever was told while nobody listened is asked for.
  source.onopen = () => pass({ kind: 'again' })
  source.onmessage = ({ data }: MessageEvent<string>) => pass(JSON.parse(data) as Told)
}
