import { useCallback, useMemo, useSyncExternalStore } from 'react'
import { parseLickText } from '~/codecs/lick-text'
import { frameOf, type WrittenQuestion } from '~/codecs/question'
import { formatPhrase } from '~/core/changes'
import { spaceOf } from '~/core/finder'
import { ok } from '~/core/foundation'
import { gridName } from '~/core/time'
import { useSettings } from '~/live/use-live'
import { useRead } from '~/live/use-read'
import { liveSummaries, loadLicks } from '~/storage'
import { turnTexts } from '~/workspace/turned'

const NONE: readonly string[] = []
const NEVER = () => () => {}

/** The lines of the licks that a question may be to differ from: as long as its space, on its grid. Null while they are read. */
export function useKnownLines(question: WrittenQuestion): readonly string[] | null {
  const wanted = question.conditions.fresh !== undefined
  // The library is read only for a question that is about it.
  const summaries = useSyncExternalStore(
    wanted ? liveSummaries.subscribe : NEVER,
    liveSummaries.snapshot,
    liveSummaries.snapshot,
  )
  const { kind, rows } = summaries
  const ids = useMemo(() => {
    const frame = wanted ? frameOf(question) : null
    const slots = frame && spaceOf(frame)?.slots.length
    const grid = frame && gridName(frame.frame.grid)
    return slots
      ? rows.filter((one) => one.slots === slots && one.grid === grid).map(({ id }) => id)
      : NONE
  }, [wanted, question, rows])
  const { turnLetters } = useSettings().settings
  const asked = ids.join(' ')
  const read = useCallback(async () => {
    if (asked === '') return ok({ asked, lines: NONE })
    const licks = await loadLicks(asked.split(' '))
    return licks.ok
      ? ok({ asked, lines: licks.value.flatMap(({ text }) => lineOf(text, turnLetters)) })
      : licks
  }, [asked, turnLetters])
  const concerns = useCallback(
    (table: string, changed: readonly string[]) =>
      table === 'licks' && changed.some((id) => asked.split(' ').includes(id)),
    [asked],
  )
  const known = useRead<{ asked: string; lines: readonly string[] } | null>(read, concerns, null)
  if (!wanted) return NONE
  return kind !== 'opening' && known?.asked === asked ? known.lines : null
}

/** A line as the player reads it: the question is asked in those letters. */
function lineOf(text: string, turned: boolean): string[] {
  const read = parseLickText(turnTexts({ text, draft: null, voicing: '' }, turned).text)
  return read.ok ? [formatPhrase(read.value.lick.line)] : []
}
