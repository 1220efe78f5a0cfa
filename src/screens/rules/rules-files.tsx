'use client'

import { useRef } from 'react'
import { readRulesFile, writeRulesFile } from '@/core/formats/rules-file'
import { writeTokens } from '@/core/formats/tokens'
import type { IconSet } from '@/core/set/set'
import { keepFile } from '@/ui/keep-file'
import { say } from '@/ui/notice'
import { type Draft, draftOf } from './draft'

const keep = (text: string, name: string): void => keepFile(new Blob([text], { type: 'application/json' }), name)

const fileName = (name: string): string =>
  name
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-') || 'rules'

/** The rules as files: exported alone, as design tokens, and brought in as a change that waits to be applied. */
export function RulesFiles({ set, onDraft }: { set: IconSet; onDraft: (draft: Draft) => void }) {
  const input = useRef<HTMLInputElement>(null)
  const bringIn = async (file: File) => {
    const { rules, problem } = readRulesFile(await file.text())
    if (rules) onDraft(draftOf(rules))
    else say({ text: problem, tone: 'fault' })
  }
  const link = 'text-quiet underline decoration-dotted hover:text-ink'
  return (
    <p className="mt-2.5 flex gap-3">
      <button
        type="button"
        className={link}
        onClick={() => keep(writeRulesFile(set.rules), `${fileName(set.name)}.rules.json`)}
      >
        Export rules
      </button>
      <button
        type="button"
        className={link}
        onClick={() => keep(writeTokens(set.name, set.rules), `${fileName(set.name)}.tokens.json`)}
      >
        as design tokens
      </button>
      <button type="button" className={link} onClick={() => input.current?.click()}>
        Import rules…
      </button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Rules file"
        className="hidden"
        onChange={({ target }) => {
          const [file] = target.files ?? []
          if (file) void bringIn(file)
          target.value = ''
        }}
      />
    </p>
  )
}
