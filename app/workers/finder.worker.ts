import { foundLick, frameOf, toQuestion } from '~/codecs/question'
import { formatPhrase } from '~/core/changes'
import { distance, doorOf, isKick, lineEndings, voicesFor, type Way, Ways } from '~/core/finder'
import { toRandomStream } from '~/core/foundation'
import { approachOf, type Lick } from '~/core/line'
import { speedLimit } from '~/core/playability'
import { strokesInSlot } from '~/core/sticking'
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
function questionOf({ written, setting, known }: FinderQuestion) {
  const question = toQuestion(written, setting, known)
  if (!question.ok) throw new Error(question.error.code)
  return question.value
}

/** Finds fills off the main thread. */
serve(self as unknown as ServePort, {
  'find-ways': async ({ most, ...asked }) => {
    const ways = waysOf(asked)
    const slots = questionOf(asked).space.slots.length
    const { ways: best, complete } = ways.best(
      most,
      // Of a rule all patterns are wanted, however alike.
      asked.written.pattern ? 0 : apartIn(slots),
    )
    return {
      count: ways.count,
      slots,
      ways: best.map((way) => found(way, asked)),
      complete,
    }
  },
  'pick-way': async ({ pick, ...asked }) => {
    const ways = waysOf(asked)
    const way = pick.kind === 'seed' ? ways.draw(toRandomStream(pick.seed)) : numbered(ways, pick)
    return way && found(way, asked)
  },
  'list-ways': async ({ most, ...asked }) => {
    const ways = waysOf(asked)
    const count = ways.count < BigInt(most) ? Number(ways.count) : most
    return Array.from({ length: count }, (_, i) => found(ways.at(BigInt(i)), asked))
  },
  'end-line': async ({ lick, setting }) => lineEndings(lick, setting),
  'find-voices': async ({ lick, setting, wish, struck }) => voicesFor(lick, setting, wish, struck),
  'open-door': async (asked) => doorOf(questionOf(asked)),
})

function numbered(ways: Ways, { number }: { readonly number: bigint }): Way | null {
  return number >= 1n && number <= ways.count ? ways.at(number - 1n) : null
}

/** In how many slots shown fills differ from each other at the least: in a quarter of them. */
function apartIn(slots: number): number {
  return Math.max(1, Math.floor(slots / 4))
}

function found({ phrase, score }: Way, { written, setting }: FinderQuestion): FoundWay {
  const frame = frameOf(written) as Lick
  const lick = foundLick(frame, phrase, '')
  const { slots } = frame.line
  return {
    line: formatPhrase(phrase),
    score,
    limit: speedLimit({ ...lick, ostinatos: [] }, 'line', setting).bpm,
    free: approachOf(lick)?.freeHand ?? 'both',
    kicks: phrase.slots.flatMap(strokesInSlot).filter(({ stroke }) => isKick(stroke.letter)).length,
    unlike: slots.length === phrase.slots.length ? distance(slots, phrase.slots) : null,
  }
}
