import { SIMULATED_PLAYERS } from '~/core/listening'
import { StrikePads } from '~/playback/strike-pads'
import { SelectField } from '~/ui/field'
import { Tick } from '~/ui/tick'
import { plural } from '~/words/figures'
import { claimsWords, hitWords, limbWords } from '~/words/heard-words'
import type { useAlong } from './use-along'

const PLAYERS = [
  { value: '', label: 'you: keys, fingers, pads' },
  ...SIMULATED_PLAYERS.map(({ name }) => ({ value: name, label: `simulated: ${name}` })),
]

/** Playing along: pads to strike, and what was heard of the last round and of all so far. */
export function AlongPart({ along }: { along: ReturnType<typeof useAlong> }) {
  const { wanted, active, simulated, rounds, claims, counted } = along
  const last = rounds.at(-1)
  return (
    <section aria-label="Play along" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
        <Tick checked={wanted} onTick={along.setWanted} className="min-h-8 text-sm">
          Hear me play along
        </Tick>
        {wanted && (
          <SelectField
            label="Who plays"
            className="w-60"
            value={simulated}
            options={PLAYERS}
            onChange={along.setSimulated}
          />
        )}
      </div>
      {wanted && (
        <>
          {active && simulated === '' && <StrikePads onStrike={along.strike} />}
          <p role="status" className="font-semibold empty:hidden">
            {claims && counted > 0 ? claimsWords(claims, counted) : ''}
          </p>
          {last ? (
            <p className="text-sm">
              Last round: {hitWords(last.told)}; {last.told.limbs.map(limbWords).join('; ')}.{' '}
              <span className="text-(--quiet)">
                {plural(rounds.length, 'round')} heard.{' '}
                {simulated !== ''
                  ? 'A simulated player, to try this without a kit.'
                  : along.measured
                    ? 'The delay that was measured for this source is taken off.'
                    : `Against your own middle, ${Math.round(last.told.delayMs)} ms from the click: no delay was measured yet.`}
              </span>
            </p>
          ) : (
            <p className="text-(--quiet) text-sm">
              {active
                ? 'Play the line: F and J for the hands, B for the kick, N for the hi-hat foot, or pads.'
                : 'Start the step, then play the line by keys, fingers or MIDI pads. Each stroke is shown under its slot, early above the line and late below it.'}
            </p>
          )}
        </>
      )}
    </section>
  )
}
