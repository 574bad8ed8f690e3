import { Play } from 'lucide-react'
import { useCallback, useMemo } from 'react'
import { Link } from 'react-router'
import { findVoicedLick } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import { formatLine } from '~/core/notation'
import { speedLimit } from '~/core/playability'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import { useLive, useSettings } from '~/live/use-live'
import { useRead } from '~/live/use-read'
import { useCounting, useSettingFor } from '~/live/use-setting'
import { useHearLick } from '~/session/use-hear-lick'
import { type Kept, type LickRecord, liveVersions, loadLicks } from '~/storage'
import { Button } from '~/ui/parts'
import { wholeTempo } from '~/words/figures'
import { gridWords } from '~/words/grid-words'
import { startPlace } from '~/words/places'
import { landingVerdict } from '~/words/verdict'
import { differenceWords } from '~/words/versions'
import { turnTexts } from '~/workspace/turned'

/** Several licks side by side, each with its saved versions: seen, heard, and what differs from the first. */
export function ComparePage({ ids }: { ids: readonly string[] }) {
  const read = useCallback(() => loadLicks(ids), [ids])
  const concerns = useCallback(
    (table: string, changed: readonly string[]) =>
      table === 'licks' && changed.some((id) => ids.includes(id)),
    [ids],
  )
  const records = useRead<readonly Kept<LickRecord>[] | null>(read, concerns, null)
  const { turnLetters } = useSettings().settings
  const licks = useMemo(
    () => (records ?? []).map((record) => findVoicedLick(turnTexts(record, turnLetters))),
    [records, turnLetters],
  )
  const { hear, player } = useHearLick()
  const [first] = licks
  return (
    <div className="mx-auto w-full max-w-7xl px-4 py-7 pb-20 sm:px-5">
      <h1 className="font-semibold text-3xl tracking-tight">Side by side</h1>
      {ids.length < 2 && (
        <p className="mt-4">
          Select two or more licks in the{' '}
          <Link className="link" to="/">
            library
          </Link>{' '}
          and choose Compare.
        </p>
      )}
      <div className="mt-5 grid grid-cols-[repeat(auto-fit,minmax(min(18rem,100%),1fr))] gap-5">
        {(records ?? []).map((record, i) => {
          const lick = licks[i]
          return lick ? (
            <Column
              key={record.id}
              record={record}
              lick={lick}
              first={i === 0 ? null : (first ?? null)}
              onHear={hear}
            />
          ) : (
            <p key={record.id}>This lick cannot be read.</p>
          )
        })}
      </div>
      {player}
    </div>
  )
}

interface ColumnProps {
  readonly record: Kept<LickRecord>
  readonly lick: Lick
  /** The lick that it is compared with; null for that one itself. */
  readonly first: Lick | null
  readonly onHear: (lick: Lick) => void
}

function Column({ record, lick, first, onHear }: ColumnProps) {
  const { settings } = useSettings()
  const versions = useLive(liveVersions(record.id)).rows
  const setting = useSettingFor(lick)
  const limit = useMemo(() => speedLimit(lick, 'landing', setting).bpm, [lick, setting])
  const { frame } = lick
  const counting = useCounting()
  const lands = landingVerdict(lick)
  const title = lick.title || 'Untitled'
  return (
    <section
      aria-label={title}
      className="flex min-w-0 flex-col gap-2 rounded-box border border-base-300 bg-base-100 p-4 text-sm"
    >
      <h2 dir="auto" className="font-semibold text-lg">
        <Link to={`/bench/${record.id}`}>{title}</Link>
      </h2>
      <PhraseStacks phrase={lick.line} />
      <p className="break-words font-mono">{formatLine(lick.line)}</p>
      <p className="text-(--quiet)">
        {gridWords(frame.grid)} from {startPlace(lick, counting)}, {frame.tempo}
        {frame.goal !== null && ` to ${frame.goal}`}
      </p>
      <p>
        {[lands.rest, lands.first].filter(Boolean).join(', ')}
        {limit !== null && `; up to ${wholeTempo(limit)} bpm with the landing`}
      </p>
      {first && <p>{differenceWords(first, lick, 'the same as the first')}</p>}
      <p>
        <Button label={`Hear ${title}`} onClick={() => onHear(lick)}>
          <Play size={14} aria-hidden /> Hear
        </Button>
      </p>
      {versions.length > 0 && <h3 className="mt-2 font-semibold">Saved versions</h3>}
      {versions.map((version) => {
        const saved = findVoicedLick(turnTexts({ ...version, draft: null }, settings.turnLetters))
        return (
          saved && (
            <div key={version.id} className="border-base-300 border-t pt-2">
              <p dir="auto" className="font-semibold">
                {version.name}
              </p>
              <PhraseStacks phrase={saved.line} />
              <p className="text-(--quiet)">{differenceWords(saved, lick, 'the same as now')}</p>
              <Button label={`Hear ${version.name}`} onClick={() => onHear(saved)}>
                <Play size={14} aria-hidden /> Hear
              </Button>
            </div>
          )
        )
      })}
    </section>
  )
}
