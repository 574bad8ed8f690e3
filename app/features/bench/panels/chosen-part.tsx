import { useState } from 'react'
import { CHOICES, type Choice, chosenChange, DEEDS, type Deed } from '~/core/change-list'
import { phraseOf } from '~/core/changes'
import { isEqual } from '~/core/foundation'
import { numberedPieces } from '~/core/kit'
import type { Surface } from '~/core/sticking'
import { Button, Part } from '~/ui/parts'
import { Pick } from '~/ui/pick'
import { theSurface } from '~/words/surface-words'
import { applyChange } from '~/workspace/edits/change-edits'
import { chosenHandSlots, withPinsOn } from '~/workspace/edits/chosen-edits'
import type { PanelView } from '../state/use-panel'
import { showing } from './showing'

const CHOICE_OPTIONS = Object.entries(CHOICES) as [Choice, string][]
const ON = 'on '

/** Some of the strokes accented, ghosted, given graces or struck: which, and what with them, in one sentence. */
export function ChosenPart(props: PanelView) {
  const { lick, voicing, range, setting, onEdit, onShow, onVoice, onShowVoicing } = props
  const [deed, setDeed] = useState<string>('accent')
  const [choice, setChoice] = useState<Choice>('firsts')
  const deeds: [string, string][] = [
    ...Object.entries(DEEDS),
    ...numberedPieces(setting.kit).map(({ surface }): [string, string] => [
      `${ON}${surface}`,
      `Strike ${theSurface(surface)} with`,
    ]),
  ]
  if (deed.startsWith(ON)) {
    const surface = deed.slice(ON.length) as Surface
    const slots = chosenHandSlots(lick, range, choice)
    const struck = withPinsOn(voicing, slots, surface)
    const label = `Strike ${theSurface(surface)} with ${CHOICES[choice]}`
    return (
      <Sentence {...{ deed, deeds, choice, setDeed, setChoice }}>
        <Button
          disabled={slots.length === 0}
          onClick={() => onVoice(label, struck)}
          onPointerEnter={() => onShowVoicing(struck)}
          onPointerLeave={() => onShowVoicing(null)}
        >
          Do it
        </Button>
      </Sentence>
    )
  }
  const edit = applyChange(lick, range, chosenChange(choice, deed as Deed))
  const changes = !isEqual(edit.lick.line, lick.line) && phraseOf(lick.line, range).slots.length > 0
  return (
    <Sentence {...{ deed, deeds, choice, setDeed, setChoice }}>
      <Button
        disabled={!changes}
        onClick={() => onEdit(edit)}
        {...showing(onShow, () => (changes ? edit : null))}
      >
        Do it
      </Button>
    </Sentence>
  )
}

function Sentence({
  deed,
  deeds,
  choice,
  setDeed,
  setChoice,
  children,
}: {
  deed: string
  deeds: readonly (readonly [string, string])[]
  choice: Choice
  setDeed: (deed: string) => void
  setChoice: (choice: Choice) => void
  children: React.ReactNode
}) {
  return (
    <Part title="Some of the strokes">
      <div className="flex flex-wrap items-center gap-2 text-sm">
        <Pick label="What is done" value={deed} options={deeds} onPick={setDeed} />
        <Pick
          label="With which strokes"
          value={choice}
          options={CHOICE_OPTIONS}
          onPick={setChoice}
        />
        {children}
      </div>
    </Part>
  )
}
