import { useMemo } from 'react'
import { findAllGhosts, findAsWritten, findSpaced, type KickLetter } from '~/codecs/as-written'
import { lineTextOf } from '~/codecs/lick-text'
import { useSettings } from '~/live/use-live'
import { Button } from '~/ui/parts'
import { useSettled } from '~/ui/use-settled'
import { useDocument, useWorkspace } from './state/use-workspace'

const REST_MS = 300

/** What a typed line may have been meant as: a sticking written otherwise, or strokes and not ghosts. */
export default function LineOffer() {
  const workspace = useWorkspace()
  const { history, issues } = useSettled(useDocument(), REST_MS)
  const { kickLetter } = useSettings().settings
  const line = lineTextOf(history.text)
  const faulty = issues.length > 0
  const offer = useMemo(() => offerOf(line, faulty, kickLetter), [line, faulty, kickLetter])
  if (!offer) return null
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2 text-sm">
      {offer.about}
      {offer.ways.map(({ words, line: meant }) => (
        <Button key={words} onClick={() => workspace.type(meant, meant.length)}>
          <span className="max-w-80 truncate">{words}</span>
        </Button>
      ))}
    </p>
  )
}

interface Offer {
  readonly about: string
  readonly ways: readonly { readonly words: string; readonly line: string }[]
}

function offerOf(line: string, faulty: boolean, kick: KickLetter): Offer | null {
  const written = faulty ? findAsWritten(line, kick) : undefined
  if (written)
    return { about: '', ways: [{ words: `Read it as ${written.line}`, line: written.line }] }
  if (faulty) return null
  const plain = findAllGhosts(line)
  if (plain)
    return { about: 'All ghosts.', ways: [{ words: 'Make them plain strokes', line: plain }] }
  const flam = /^(?:lR|rL)$/.test(line.trim()) ? `f${line.trim().charAt(1)}` : null
  if (flam)
    return { about: 'A ghost, then a stroke.', ways: [{ words: `A flam: ${flam}`, line: flam }] }
  const spaced = findSpaced(line)
  if (spaced.length === 0) return null
  const ways = spaced.map((one) => ({
    words: one.size === null ? 'One group' : `Groups of ${one.size}`,
    line: one.line,
  }))
  return { about: 'Each letter is a group by itself.', ways }
}
