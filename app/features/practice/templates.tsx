import { useState } from 'react'
import { type PlannedStep, patternOf } from '~/core/practice'
import { MAX_TEMPLATES, type PlanRecord, type PlanTemplate } from '~/storage'
import { Button, TextBox } from '~/ui/parts'

/** A plan as a template under a name: what it is made of, without the lick. */
export function templateOf(
  name: string,
  { school, ladder, repeats, climbs }: PlanRecord,
  planned: readonly PlannedStep[],
): PlanTemplate {
  const steps = patternOf(planned).flatMap(({ kind, form }) =>
    isKept(kind) ? [{ kind, form }] : [],
  )
  return { name: name.trim().slice(0, 80), school, ladder, repeats, climbs, steps }
}

type KeptKind = PlanTemplate['steps'][number]['kind']

/** What the player adds to one lick is no part of a template. */
function isKept(kind: string): kind is KeptKind {
  return kind !== 'version' && !kind.startsWith('loop')
}

/** Saves the plan as one of the player's own, for other licks, and removes those that are no longer wanted. */
export function Templates({
  templates,
  plan,
  planned,
  onTemplates,
}: {
  templates: readonly PlanTemplate[]
  plan: PlanRecord
  planned: readonly PlannedStep[]
  onTemplates: (templates: PlanTemplate[]) => void
}) {
  const [name, setName] = useState('')
  const save = () => {
    const made = templateOf(name, plan, planned)
    const others = templates.filter((one) => one.name !== made.name)
    onTemplates([...others, made].slice(-MAX_TEMPLATES))
    setName('')
  }
  return (
    <div className="flex flex-col gap-1.5 text-sm">
      <form
        className="flex flex-wrap items-center gap-1.5"
        onSubmit={(event) => {
          event.preventDefault()
          if (name.trim() !== '') save()
        }}
      >
        <TextBox
          label="Name of the template"
          className="w-36 grow"
          placeholder="a name for this plan"
          maxLength={80}
          value={name}
          onType={setName}
        />
        <button
          type="submit"
          className="btn btn-outline border-base-300 btn-sm font-normal"
          disabled={name.trim() === ''}
        >
          Save as template
        </button>
      </form>
      {templates.length > 0 && (
        <p className="flex flex-wrap gap-1.5">
          {templates.map((one) => (
            <Button
              key={one.name}
              onClick={() => onTemplates(templates.filter(({ name: other }) => other !== one.name))}
            >
              Remove {one.name}
            </Button>
          ))}
        </p>
      )}
    </div>
  )
}
