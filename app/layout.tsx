import '@/ui/theme.css'
import type { Metadata } from 'next'
import type { ReactNode } from 'react'
import { CommandBox } from '@/ui/command-box'
import { FILM_SCRIPT } from '@/ui/film'
import { KeySheet } from '@/ui/key-sheet'
import { NoticeBar } from '@/ui/notice'

export const metadata: Metadata = { title: 'Wise Square', description: 'Sets of icons on a shared pixel grid.' }

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: FILM_SCRIPT }} />
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
