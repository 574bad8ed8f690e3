import { foundLick, frameOf, toQuestion } from '~/codecs/question'
import { formatPhrase } from '~/core/changes'
import { doorOf, lineEndings, voicesFor, type Way, Ways } from '~/core/finder'
import { toRandomStream } from '~/core/foundation'
import { approachOf, type Lick } from '~/core/line'
import { speedLimit } from '~/core/playability'
import type { FinderQuestion, FoundWay } from './protocol'
import { type ServePort, serve } from './serve'

/** What was asked last: it is asked for again when one of its ways is drawn. */
let last: { readonly asked: string; readonly ways: Ways } | null = null

function waysOf(asked: FinderQuestion): Ways {
  const name = JSON.stringify(asked)
  if (last?.asked !== name) last = { asked: name, ways: new Ways(questionOf(asked)) }
  return last.ways
}

/** A question that the page has read before it asked. */
function questionOf({ written, setting }: FinderQuestion) {
  const question = toQuestion(written, setting)
  if (!question.ok) throw new Error(question.error.code)
  return question.value
}

/** Finds fills off the main thread. */
serve(self as unknown as ServePort, {
  'find-ways': async ({ most, ...asked }) => {
    const ways = waysOf(asked)
    const slots = questionOf(asked).space.slots.length
    const { ways: best, complete } = ways.best(most, apartIn(slots))
    return {
      count: ways.count,
      slots,
      ways: best.map((way) => found(way, asked)),
      complete,
    }
  },
  'draw-way': async ({ seed, ...asked }) => {
    const way = waysOf(asked).draw(toRandomStream(seed))
    return way && found(way, asked)
  },
  'end-line': async ({ lick, setting }) => lineEndings(lick, setting),
  'find-voices': async ({ lick, setting, wish, struck }) => voicesFor(lick, setting, wish, struck),
  'open-door': async (asked) => doorOf(questionOf(asked)),
})

/** In how many slots shown fills differ from each other at the least: in a quarter of them. */
function apartIn(slots: number): number {
  return Math.max(1, Math.floor(slots / 4))
}

function found({ phrase, score }: Way, { written, setting }: FinderQuestion): FoundWay {
  const lick = foundLick(frameOf(written) as Lick, phrase, '')
  return {
    line: formatPhrase(phrase),
    score,
    limit: speedLimit({ ...lick, ostinatos: [] }, 'line', setting).bpm,
    free: approachOf(lick)?.freeHand ?? 'both',
  }
}
