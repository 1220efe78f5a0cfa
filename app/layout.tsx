import '@/ui/theme.css'
import type { Metadata } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import { CommandBox } from '@/ui/command-box'
import { THEME_SCRIPT } from '@/ui/theme'
import { KeySheet } from '@/ui/key-sheet'
import { NoticeBar } from '@/ui/notice'

export const metadata: Metadata = { title: 'Wise Square', description: 'Sets of icons on a shared pixel grid.' }

// Every page is made for its request: its scripts carry a number that only this answer allows.
export const dynamic = 'force-dynamic'

export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: THEME_SCRIPT }} />
      </head>
      <body>
        {children}
        <NoticeBar />
        <CommandBox />
        <KeySheet />
      </body>
    </html>
  )
}
