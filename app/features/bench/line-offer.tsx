import { useMemo } from 'react'
import { findAllGhosts, findAsWritten } from '~/codecs/as-written'
import { lineTextOf } from '~/codecs/lick-text'
import { useSettings } from '~/live/use-live'
import { Act } from '~/ui/parts'
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
  const offer = useMemo(() => {
    const written = faulty ? findAsWritten(line, kickLetter) : undefined
    if (written) return { words: `Read it as ${written.line}`, about: '', line: written.line }
    const plain = faulty ? undefined : findAllGhosts(line)
    return plain ? { about: 'All ghosts.', words: 'Make them plain strokes', line: plain } : null
  }, [line, faulty, kickLetter])
  if (!offer) return null
  return (
    <p className="mt-1 flex flex-wrap items-center gap-2 text-sm">
      {offer.about}
      <Act onClick={() => workspace.type(offer.line, offer.line.length)}>
        <span className="max-w-80 truncate">{offer.words}</span>
      </Act>
    </p>
  )
}
