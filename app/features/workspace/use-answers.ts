import { useDeferredValue } from 'react'
import { type Answers, toAnswers } from '~/words/answers'
import { memoize } from '~/workspace/memoize'
import { usePlayedClean } from './use-played-clean'
import { useBenchLick, usePlayedTempo, useSetting, useVoiced, useWorkspace } from './use-workspace'

const answersOf = memoize(toAnswers)

/** What is said of the line at the playing tempo: a moment after what is typed, and worked out once. */
export function useAnswers(): Answers {
  const { saver } = useWorkspace().session
  const playedClean = usePlayedClean(saver.id, useBenchLick().frame.grid)
  const voiced = useDeferredValue(useVoiced())
  return answersOf(voiced, usePlayedTempo(), useSetting(), playedClean)
}
