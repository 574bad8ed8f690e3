import { formatSwing } from '~/codecs/lick-text'
import type { Swing } from '~/core/time'
import { type FieldFault, SelectField, TypedField } from '~/ui/field'

const PAIRS = [
  { value: '8', label: 'eighths' },
  { value: '16', label: 'sixteenths' },
]

/**
 * How something swings: the percent of a pair that its first half takes, which pairs, and the percent of three
 * triplets that the first takes. `of` stands before the labels where they speak of something other than the line.
 */
export function SwingFields({
  swing,
  of = '',
  check,
  onSwing,
}: {
  swing: Swing
  of?: string
  check: (value: string) => FieldFault | null
  onSwing: (value: string) => void
}) {
  const written = (percent: string, pairs: number, lean: string) =>
    [percent || '50', ...(pairs === 16 ? ['1/16'] : []), ...(lean ? ['lean', lean] : [])].join(' ')
  const named = (label: string) => (of ? `${of}: ${label}` : label)
  const lean = swing.lean === undefined ? '' : String(swing.lean)
  const withPercent = (typed: string) => written(typed, swing.pairs, lean)
  const withLean = (typed: string) => written(String(swing.percent), swing.pairs, typed)
  return (
    <>
      <TypedField
        label={named('Swing, percent')}
        value={String(swing.percent)}
        inputMode="decimal"
        check={(typed) => check(withPercent(typed))}
        onChange={(typed) => onSwing(withPercent(typed))}
      />
      {swing.percent !== 50 && (
        <SelectField
          label={named('Swung')}
          value={String(swing.pairs)}
          options={PAIRS}
          onChange={(pairs) => onSwing(written(String(swing.percent), Number(pairs), lean))}
        />
      )}
      <TypedField
        label={named('Triplets lean, percent')}
        value={lean}
        placeholder="even"
        inputMode="decimal"
        check={(typed) => check(withLean(typed))}
        onChange={(typed) => onSwing(withLean(typed))}
      />
    </>
  )
}

const AS_LINE = 'as the line'
const ITS_OWN = 'its own'

/** Whether the groove swings as the line does, or by figures of its own. */
export function GrooveSwing({
  swing,
  line,
  check,
  onSwing,
}: {
  swing: Swing | null
  line: Swing
  check: (value: string) => FieldFault | null
  onSwing: (value: string) => void
}) {
  return (
    <>
      <SelectField
        label="Groove swings"
        value={swing === null ? AS_LINE : ITS_OWN}
        options={[AS_LINE, ITS_OWN].map((value) => ({ value, label: value }))}
        onChange={(how) => onSwing(how === AS_LINE ? '' : formatSwing(line))}
      />
      {swing && <SwingFields of="Groove" swing={swing} check={check} onSwing={onSwing} />}
    </>
  )
}
