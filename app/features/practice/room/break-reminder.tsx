import type { Settings } from '~/storage'
import { SelectField } from '~/ui/field'

/** After how many minutes a break is due. */
export function BreakReminder({
  minutes,
  onSettings,
}: {
  minutes: number
  onSettings: (changed: Partial<Settings>) => void
}) {
  return (
    <SelectField
      label="Break reminder"
      value={String(minutes)}
      options={[
        ...[15, 20, 25, 30, 45].map((count) => ({
          value: String(count),
          label: `after ${count} minutes`,
        })),
        { value: '0', label: 'never' },
      ]}
      onChange={(after) => onSettings({ breakAfter: Number(after) })}
    />
  )
}
