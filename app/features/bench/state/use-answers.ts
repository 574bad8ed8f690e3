import { useDeferredValue, useEffect, useState } from 'react'
import type { Answers, toAnswers } from '~/words/answers'
import { memoize } from '~/workspace/memoize'
import { usePlayedClean } from './use-played-clean'
import { useBenchLick, usePlayedTempo, useSetting, useVoiced, useWorkspace } from './use-workspace'

/** What works answers out; fetched right after the page, since they follow what is typed in any case. */
let answersOf: typeof toAnswers | undefined
const fetched = () =>
  import('~/words/answers').then((words) => {
    answersOf ??= memoize(words.toAnswers)
  })

/**
 * What is said of the line at the playing tempo: a moment after what is typed, and worked out once for
 * all who ask. Null until the words are there.
 */
export function useAnswers(): Answers | null {
  const { saver } = useWorkspace().session
  const playedClean = usePlayedClean(saver.id, useBenchLick().frame.grid)
  const voiced = useDeferredValue(useVoiced())
  const tempo = usePlayedTempo()
  const setting = useSetting()
  const [, told] = useState(answersOf !== undefined)
  useEffect(() => {
    if (!answersOf) void fetched().then(() => told(true))
  }, [])
  return answersOf?.(voiced, tempo, setting, playedClean) ?? null
}
