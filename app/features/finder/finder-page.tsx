import { Dices, Play, SquarePen } from 'lucide-react'
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { useNavigate } from 'react-router'
import { toQuestion, type WrittenQuestion } from '~/codecs/question'
import type { Door } from '~/core/finder'
import type { Lick } from '~/core/line'
import { useSettings } from '~/live/use-live'
import { useSettingFor } from '~/live/use-setting'
import { useHearLick } from '~/session/use-hear-lick'
import { MAX_IN_SET } from '~/storage'
import { Button, EmptyState, ErrorText } from '~/ui/parts'
import { useAddressState } from '~/ui/use-address-state'
import { useSettled } from '~/ui/use-settled'
import { useSpace } from '~/ui/use-space'
import { plural } from '~/words/figures'
import {
  finderTroubleWords,
  questionFaultWords,
  waysWords,
  withoutWords,
} from '~/words/finder-words'
import { type FoundWay, type FoundWays, startFinder, type WayPick } from '~/workers'
import { FinderSession, type FinderState, type Picked } from './finder-session'
import { FoundList } from './found-list'
import { easiestFirst, foundTexts, stored, toFoundLick } from './found-texts'
import { KeptQuestions } from './kept-questions'
import { emptyFrame, loosened, newSeed, QUESTION_ADDRESS, withFrame } from './question-edits'
import { QuestionSentence } from './question-sentence'
import { useKnownLines } from './use-known-lines'
import { WayStepper } from './way-stepper'

/** Whatever is found is played on the player's own kit. */
const ANY_LICK = { kit: null, unknown: [] }

/** So many fills go on a sheet. */
const MAX_ON_SHEET = 64

/** Every fill that fits: a question as one sentence, the number of ways, and the best of them. */
export function FinderPage() {
  const [{ question, pick, from }, change] = useAddressState(QUESTION_ADDRESS)
  const ask = useCallback(
    (next: WrittenQuestion) => change({ question: next, pick: null }),
    [change],
  )
  const pickOut = useCallback((next: WayPick) => change({ pick: next }), [change])
  const setting = useSettingFor(ANY_LICK)
  const [session] = useState(() => new FinderSession(startFinder))
  useEffect(() => () => session.close(), [session])
  const state = useSyncExternalStore(session.subscribe, session.read, session.read)
  // What is typed is asked when the hand rests.
  const settled = useSettled(question, 120)
  const known = useKnownLines(settled)
  const fault = useMemo(() => {
    const read = toQuestion(settled, setting)
    return read.ok ? '' : questionFaultWords(read.error)
  }, [settled, setting])
  useEffect(() => {
    if (fault === '' && known) void session.ask(settled, setting, known)
    else session.clear()
  }, [session, settled, setting, known, fault])
  // Who came for a surprise has one as soon as there is something to draw from.
  useEffect(() => {
    if (pick?.kind === 'seed' && pick.seed === 0) pickOut(newSeed())
  }, [pick, pickOut])
  const { found } = state
  useEffect(() => {
    if (found && found.count > 0n && !(pick?.kind === 'seed' && pick.seed === 0))
      void session.pick(pick)
  }, [session, found, pick])
  return (
    <div className="mx-auto flex w-full max-w-5xl flex-col gap-5 px-4 py-7 sm:px-5">
      <h1 className="font-semibold text-3xl tracking-tight">Find fills</h1>
      <QuestionSentence question={question} onChange={ask} />
      <p className="-mt-3 text-sm">
        <KeptQuestions question={question} onAsk={ask} />
      </p>
      <ErrorText words={fault || (state.trouble && finderTroubleWords(state.trouble))} />
      {fault === '' && state.trouble === '' && (
        <Answer
          question={settled}
          state={state}
          session={session}
          from={from}
          onAsk={ask}
          onPick={pickOut}
        />
      )}
    </div>
  )
}

/** What the question comes to. */
function Answer({
  question,
  state,
  session,
  from,
  onAsk,
  onPick,
}: {
  question: WrittenQuestion
  state: FinderState
  session: FinderSession
  from: string
  onAsk: (question: WrittenQuestion) => void
  onPick: (pick: WayPick) => void
}) {
  const { found, door, picked, asking } = state
  const frame = useMemo(() => emptyFrame(question), [question])
  if (!found || !frame) return <EmptyState>Counting …</EmptyState>
  const none = found.count === 0n
  return (
    <section aria-label="Found" aria-busy={asking} className="flex flex-col gap-4">
      <p role="status" className="font-semibold text-2xl tabular-nums">
        {none ? 'No way' : waysWords(found.count)}
        <span className="ml-3 font-normal text-(--quiet) text-sm">
          to fill {plural(found.slots, 'slot')}
        </span>
      </p>
      {none ? (
        door ? (
          <Shut door={door} question={question} frame={frame} onAsk={onAsk} />
        ) : (
          <EmptyState>Looking for what stands in the way …</EmptyState>
        )
      ) : (
        <Ways
          frame={frame}
          found={found}
          picked={picked}
          from={from}
          listAll={() => session.list(MAX_IN_SET)}
          onPick={onPick}
        />
      )}
    </section>
  )
}

/** Why there is no way, with what would open one. */
function Shut({
  door: { openings, lengths },
  question,
  frame,
  onAsk,
}: {
  door: Door
  question: WrittenQuestion
  frame: Lick
  onAsk: (question: WrittenQuestion) => void
}) {
  if (openings.length === 0 && lengths.length === 0)
    return (
      <EmptyState>
        These cells do not come out in this space, whatever is asked of them. Add a cell of another
        length, or let the last one be cut.
      </EmptyState>
    )
  return (
    <ul className="flex flex-col items-start gap-2">
      {openings.map(({ without: bolts, count }) => (
        <li key={bolts.join()}>
          <Button onClick={() => onAsk(loosened(question, bolts))}>
            {waysWords(count)} {withoutWords(bolts)}
          </Button>
        </li>
      ))}
      {lengths.map(({ slots, count }) => (
        <li key={slots} className="text-sm">
          {waysWords(count)} to fill {plural(slots, 'slot')}
        </li>
      ))}
      {openings.length === 0 && (
        <li>
          <Button onClick={() => onAsk(withFrame(question, { bars: (frame.frame.bars ?? 1) + 1 }))}>
            One bar more
          </Button>
        </li>
      )}
    </ul>
  )
}

/** The fills that were found: heard, taken, kept. */
function Ways({
  frame,
  found: { slots, count, ways: best },
  picked,
  from,
  listAll,
  onPick,
}: {
  frame: Lick
  found: FoundWays
  picked: Picked | null
  from: string
  /** All of them, as far as a set holds them. */
  listAll: () => Promise<readonly FoundWay[] | null>
  onPick: (pick: WayPick) => void
}) {
  const ways = useMemo(
    () => (picked ? [picked.way, ...best.filter(({ line }) => line !== picked.way.line)] : best),
    [picked, best],
  )
  const setting = useSettingFor(ANY_LICK)
  const { singleKeys, turnLetters } = useSettings().settings
  const navigate = useNavigate()
  const { hear, player } = useHearLick()
  const [current, setCurrent] = useState(0)
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set())
  const [told, setTold] = useState('')
  const at = Math.min(current, ways.length - 1)
  const textsOf = (way: FoundWay | undefined) => foundTexts(frame, way, turnLetters)
  const listen = useCallback(
    (i: number) => {
      const lick = toFoundLick(frame, ways[i])
      if (lick) hear(lick)
    },
    [frame, ways, hear],
  )
  const open = async (i: number) => {
    const way = ways[i]
    // Asked from a bench: the fill takes the place of the line there, and undo gives that back.
    if (from !== '' && way) return navigate(`/bench/${from}`, { state: { line: way.line } })
    const texts = textsOf(way)
    if (!texts) return
    const { createLick } = await import('../library')
    const made = await createLick(texts)
    if (made.kind === 'open') void navigate(`/bench/${made.id}`)
    else setTold(made.message)
  }
  const mark = (i: number) => {
    const line = ways[i]?.line ?? ''
    setMarked((now) => {
      const next = new Set(now)
      if (!next.delete(line)) next.add(line)
      return next
    })
  }
  const chosen = ways.filter(({ line }) => marked.has(line))
  // What is made of many is made of those that are marked, else of all, where they are not too many.
  const all = chosen.length === 0 && count <= BigInt(MAX_IN_SET)
  const many = async () => (all ? ((await listAll()) ?? []) : chosen)
  const numbered = (some: readonly FoundWay[]) =>
    easiestFirst(
      some.flatMap((way, i) => {
        const lick = toFoundLick(frame, way)
        return lick ? [all ? { ...lick, title: `${lick.title}, ${i + 1} of ${count}` } : lick] : []
      }),
      setting,
    ).map((lick) => stored(lick, turnLetters).text)
  const chosenTexts = () => chosen.flatMap((way) => textsOf(way) ?? [])
  const keep = async () => {
    const { createLick } = await import('../library')
    for (const texts of chosenTexts()) {
      const made = await createLick(texts)
      if (made.kind === 'failed') return setTold(made.message)
    }
    setTold(`${plural(chosen.length, 'fill')} saved in the library.`)
    setMarked(new Set())
  }
  const makeSet = async () => {
    const { createSetOf } = await import('../sets')
    const texts = numbered(await many())
    const made = await createSetOf(plural(texts.length, 'found fill'), texts)
    if (made.id) void navigate(`/sets/${made.id}`)
    else setTold(made.trouble)
  }
  const makeSheet = async () => {
    const texts = numbered(await many()).slice(0, MAX_ON_SHEET)
    void navigate('/sheet', { state: { texts } })
  }
  useSpace(() => listen(at))
  // What was picked is first, and is what the keys are about.
  const pickOut = (pick: WayPick) => {
    setCurrent(0)
    onPick(pick)
  }
  const draw = () => pickOut(newSeed())
  const number = picked?.pick.kind === 'number' ? picked.pick.number : null
  useHotkeys('r', draw, { enabled: singleKeys })
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={() => listen(at)}>
          <Play size={14} aria-hidden /> Hear
        </Button>
        <Button onClick={() => void open(at)}>
          <SquarePen size={14} aria-hidden /> {from ? 'Put on its bench' : 'Open on the bench'}
        </Button>
        <Button onClick={draw}>
          <Dices size={14} aria-hidden /> Surprise me
        </Button>
        <WayStepper
          number={number}
          count={count}
          line={number === null ? '' : (ways[0]?.line ?? '')}
          onNumber={(next) => pickOut({ kind: 'number', number: next })}
        />
        {chosen.length > 0 && (
          <Button onClick={() => void keep()}>Save {plural(chosen.length, 'fill')}</Button>
        )}
        {(chosen.length > 0 || all) && (
          <>
            <Button onClick={() => void makeSet()}>Make a set{all && ' of all'}</Button>
            <Button onClick={() => void makeSheet()}>Make a sheet{all && ' of all'}</Button>
          </>
        )}
        {told && (
          <span role="status" className="text-sm">
            {told}
          </span>
        )}
      </div>
      <FoundList
        frame={frame}
        slots={slots}
        ways={ways}
        current={at}
        marked={marked}
        pick={picked?.pick ?? null}
        onCurrent={setCurrent}
        onHear={listen}
        onOpen={(i) => void open(i)}
        onMark={mark}
      />
      <p className="text-(--quiet) text-xs">
        Arrows go through the list, Space plays, Enter opens, S marks, R draws one at random, Ctrl C
        copies.
      </p>
      {player}
    </>
  )
}
