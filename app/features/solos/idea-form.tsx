import { useId, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { DEFAULT_FRAME, TEMPO_RANGE } from '~/core/line'
import {
  draftSolo,
  ideaParts,
  playableSolo,
  type SoloIdea,
  STAGES,
  type Stage,
  soloLength,
  stageBars,
} from '~/core/solo'
import { findGrid, findMeter, gridName, toMeter } from '~/core/time'
import { PhraseStacks } from '~/drawing/stacks/phrase-figure'
import { useSettingFor } from '~/live/use-setting'
import { Labelled, SelectField } from '~/ui/field'
import { NumberField } from '~/ui/number-field'
import { Button, ErrorText, Part, TextBox } from '~/ui/parts'
import { gridWords } from '~/words/grid-words'
import { lengthWords } from '~/words/solo-words'
import { toLine } from './cell-line'
import { METRES } from './metres'
import { createSolo } from './solo-actions'

/** `, at 88 bpm: its limit`; empty where it goes at the tempo that was asked for. */
function limitWords(tempo: number, asked: number): string {
  return tempo < asked ? `, at ${tempo} bpm: its limit` : ''
}

const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  groove: 'Groove first',
  statement: 'Stated',
  moved: 'Moved to other beats',
  voiced: 'Voiced over the drums',
  run: 'Run over the barline',
  fast: 'Twice as fast',
  landed: 'Landed',
}
const ANY_LICK = { kit: null, unknown: [] }
const GRIDS = ['1/8', '1/8t', '1/16', '1/16q', '1/16t', '1/32']

/** A whole solo from one cell: what is made of it, for how many bars, and by which seed. */
export function IdeaForm() {
  const navigate = useNavigate()
  const setting = useSettingFor(ANY_LICK)
  const id = useId()
  const [cell, setCell] = useState('RLLRK')
  const [grid, setGrid] = useState(gridName(DEFAULT_FRAME.grid))
  const [meter, setMeter] = useState('4/4')
  const [tempo, setTempo] = useState(90)
  const [seed, setSeed] = useState(1)
  const [bars, setBars] = useState<Record<Stage, number>>(() => stageBars(32))
  const [trouble, setTrouble] = useState('')
  const total = STAGES.reduce((sum, stage) => sum + bars[stage], 0)
  const idea = useMemo((): SoloIdea | null => {
    const found = findGrid(grid)
    const line = found && toLine(cell, found)
    if (!found || !line || total === 0) return null
    return {
      title: `Solo on ${cell}`.slice(0, 200),
      cell: line,
      grid: found,
      meter: findMeter(meter) ?? toMeter(4, 4),
      tempo,
      groove: 'eighths',
      bars,
      seed,
    }
  }, [cell, grid, meter, tempo, bars, seed, total])
  // At the tempo that is asked for, or where that is too fast for it, at its limit.
  const draft = useMemo(
    () => (idea ? playableSolo(draftSolo(idea), setting) : null),
    [idea, setting],
  )
  const length = useMemo(() => (draft ? soloLength(draft) : null), [draft])
  const make = async () => {
    if (!draft) return
    const made = await createSolo(draft)
    if (made.id) navigate(`/solos/${made.id}`)
    else setTrouble(made.trouble)
  }
  return (
    <section aria-labelledby={id} className="flex flex-col gap-3">
      <h2 id={id} className="font-semibold text-lg">
        A solo from one idea
      </h2>
      <p className="text-(--quiet) text-sm">
        One cell is stated, moved, voiced, run over the barline, played twice as fast and landed.
        Every part can be changed afterwards.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <div>
          <label htmlFor={`${id}-cell`} className="mb-1 block text-(--quiet) text-xs">
            Cell
          </label>
          <TextBox
            id={`${id}-cell`}
            label="Cell of the solo"
            className="w-40 font-mono"
            spellCheck={false}
            maxLength={200}
            aria-invalid={idea === null}
            value={cell}
            onType={setCell}
          />
        </div>
        <span className="min-w-20">{idea && <PhraseStacks phrase={idea.cell} />}</span>
        <SelectField
          label="Grid"
          className="w-40"
          value={grid}
          options={GRIDS.flatMap((value) => {
            const found = findGrid(value)
            return found ? [{ value, label: gridWords(found) }] : []
          })}
          onChange={setGrid}
        />
        <SelectField
          label="Metre"
          className="w-20"
          value={meter}
          options={METRES.map((value) => ({ value, label: value }))}
          onChange={setMeter}
        />
        <Labelled words="Tempo">
          <NumberField
            label="Tempo of the new solo"
            min={TEMPO_RANGE.least}
            max={TEMPO_RANGE.most}
            value={tempo}
            onChange={setTempo}
          />
        </Labelled>
        <Labelled words="Seed">
          <NumberField
            label="Seed of the new solo"
            className="w-24"
            min={1}
            max={999_999}
            value={seed}
            onChange={setSeed}
          />
        </Labelled>
        <Button onClick={() => setSeed((now) => (now % 999_999) + 1)}>Draw again</Button>
      </div>
      <Part title="Bars of each stage">
        <div className="flex flex-wrap items-end gap-3">
          {STAGES.map((stage) => (
            <Labelled key={stage} words={STAGE_WORDS[stage]}>
              <NumberField
                label={`Bars, ${STAGE_WORDS[stage].toLowerCase()}`}
                className="w-16"
                min={0}
                max={64}
                value={bars[stage]}
                onChange={(count) => setBars((now) => ({ ...now, [stage]: count }))}
              />
            </Labelled>
          ))}
          <span className="flex gap-1">
            {[8, 16, 32, 64].map((count) => (
              <Button key={count} onClick={() => setBars(stageBars(count))}>
                {count} bars
              </Button>
            ))}
          </span>
        </div>
      </Part>
      <p className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={idea === null}
          onClick={() => void make()}
        >
          Make the solo
        </button>
        <span className="text-sm tabular-nums">
          {length
            ? `${lengthWords(length.bars, length.seconds)}, ${ideaParts(idea as SoloIdea).length} parts${limitWords(draft?.tempo ?? tempo, tempo)}`
            : 'Type a cell such as RLLRK, and give at least one stage a bar.'}
        </span>
      </p>
      <ErrorText words={trouble} />
    </section>
  )
}
