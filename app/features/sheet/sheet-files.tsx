import { Download } from 'lucide-react'
import { useState } from 'react'
import type { Page } from '~/core/sheet'
import { Button } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'

type Kind = 'pdf' | 'svg' | 'png'
const KINDS = [
  ['pdf', 'PDF'],
  ['svg', 'SVG'],
  ['png', 'PNG'],
] as const

/** A sheet as files. What writes them, and their fonts, are fetched when they are asked for. */
export function SheetFiles({
  pages,
  name,
}: {
  readonly pages: readonly Page[]
  readonly name: string
}) {
  const [said, setSaid] = useState('')
  const [busy, setBusy] = useState<Kind | null>(null)
  const save = async (kind: Kind) => {
    setBusy(kind)
    setSaid('')
    try {
      const { sheetFile } = await import('./sheet-file')
      const { file, type, content, note } = await sheetFile(kind, pages, name)
      saveFile(file, type, content)
      setSaid(note)
    } catch {
      setSaid(
        'The file could not be made. Check the connection, and try again; printing works without it.',
      )
    } finally {
      setBusy(null)
    }
  }
  return (
    <>
      {KINDS.map(([kind, words]) => (
        <Button
          key={kind}
          label={`Save as ${words}`}
          disabled={busy !== null}
          onClick={() => void save(kind)}
        >
          <Download size={14} aria-hidden /> {words}
        </Button>
      ))}
      <p role="status" className="w-full text-(--quiet) text-sm empty:hidden">
        {said}
      </p>
    </>
  )
}
