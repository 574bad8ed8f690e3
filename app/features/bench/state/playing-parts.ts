import { landOnKit, movesOf } from '~/core/playability'
import { toAnswers } from '~/words/answers'

/** What works out how a lick is played. */
export const PLAYING_PARTS = { landOnKit, movesOf, toAnswers } as const
