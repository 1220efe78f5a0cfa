'use client'

import { useState } from 'react'
import type { Rules } from '@/core/rules/rules'
import type { Icon } from '@/core/set/set'
import { Dialog } from '@/ui/dialog'
import { useDocument } from './use-document'

const SIDE = 384

/** Two icons laid over each other, each as one colour: what both cover is dark. */
export function OverlayDialog({
  icons: [a, b],
  rules,
  onClose,
}: {
  icons: readonly [Icon, Icon]
  rules: Rules
  onClose: () => void
}) {
  const [share, setShare] = useState(50)
  return (
    <Dialog title={`${a.name} over ${b.name}`} open onClose={onClose} width={SIDE + 64}>
      <div className="p-4">
        <div className="relative mx-auto bg-white" style={{ width: SIDE, height: SIDE }}>
          <Silhouette icon={b} rules={rules} color="#11807f" opacity={Math.min(1, (100 - share) / 50)} />
          <Silhouette icon={a} rules={rules} color="#d5401b" opacity={Math.min(1, share / 50)} />
        </div>
        <label className="mt-3 grid grid-cols-[minmax(0,1fr)_160px_minmax(0,1fr)] items-center gap-3">
          <span className="truncate text-right text-[#11807f]">{b.name}</span>
          <input
            type="range"
            aria-label={`From ${b.name} to ${a.name}`}
            min={0}
            max={100}
            value={share}
            onChange={({ target }) => setShare(Number(target.value))}
          />
          <span className="truncate text-[#d5401b]">{a.name}</span>
        </label>
      </div>
    </Dialog>
  )
}

function Silhouette({ icon, rules, color, opacity }: { icon: Icon; rules: Rules; color: string; opacity: number }) {
  const svg = useDocument(icon, rules)
  if (!svg) return null
  const mask = `url("data:image/svg+xml,${encodeURIComponent(svg)}") center / contain no-repeat`
  return (
    <div
      role="img"
      aria-label={icon.name}
      className="absolute inset-0 mix-blend-multiply"
      style={{ background: color, opacity, mask }}
    />
  )
}
