import { isEqual } from '~/core/foundation'
import { LADDER_KINDS, type LadderKind, PRACTICE_ORDERS, type PracticeOrder } from '~/core/practice'
import { useSettings } from '~/live/use-live'
import type { SharedPlan } from '~/storage'
import { Checkbox } from '~/ui/checkbox'
import { SelectField } from '~/ui/field'
import { NumberField } from '~/ui/number-field'
import { LADDER_WORDS, ORDER_WORDS } from '~/words/plan-words'

/** What a set's plan is before the player changes it. */
const FIRST_PLAN: SharedPlan = {
  school: 'joined',
  ladder: 'three',
  repeats: 8,
  climbs: false,
  steps: [],
}

/** One plan for all licks of a set: order of the steps, ladder, repeats; or each lick's own plan. */
export function SetPlanRow({
  plan,
  onPlan,
}: {
  plan: SharedPlan | null
  onPlan: (plan: SharedPlan | null) => void
}) {
  const { templates } = useSettings().settings
  const now = plan ?? FIRST_PLAN
  const template = templates.findIndex(
    ({ school, steps }) =>
      plan !== null &&
      plan.steps.length > 0 &&
      school === plan.school &&
      isEqual(steps, plan.steps),
  )
  const order = plan === null ? 'own' : template >= 0 ? `template ${template}` : plan.school
  const choose = (chosen: string) => {
    const found = templates[Number(/^template (\d+)$/.exec(chosen)?.[1] ?? -1)]
    if (chosen === 'own') onPlan(null)
    else if (found) {
      const { name: _, ...laid } = found
      onPlan(laid)
    } else onPlan({ ...now, school: chosen as PracticeOrder, steps: [] })
  }
  return (
    <section aria-label="Plan of the set" className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <SelectField
        label="Practise each lick"
        className="w-60 max-w-full"
        value={order}
        options={[
          { value: 'own', label: 'by its own plan' },
          ...PRACTICE_ORDERS.map((one) => ({ value: one, label: ORDER_WORDS[one] })),
          ...templates.map(({ name }, i) => ({
            value: `template ${i}`,
            label: `your own: ${name}`,
          })),
        ]}
        onChange={choose}
      />
      {plan && (
        <>
          <SelectField
            label="Tempos"
            className="w-36"
            value={plan.ladder}
            options={LADDER_KINDS.map((one) => ({ value: one, label: LADDER_WORDS[one] }))}
            onChange={(ladder) => onPlan({ ...plan, ladder: ladder as LadderKind })}
          />
          <span className="flex items-center gap-1.5 pb-1.5 text-sm">
            <NumberField
              label="Repeats per tempo"
              className="w-14 text-right"
              min={1}
              max={99}
              value={plan.repeats}
              onChange={(repeats) => onPlan({ ...plan, repeats })}
            />
            repeats per tempo
          </span>
          <span className="pb-2">
            <Checkbox checked={plan.climbs} onTick={(climbs) => onPlan({ ...plan, climbs })}>
              Climb automatically
            </Checkbox>
          </span>
        </>
      )}
    </section>
  )
}
