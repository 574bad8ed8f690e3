import { memo, useMemo } from 'react'
import type { Player } from '~/core/kit'
import {
  type CleanPlay,
  type Evidence,
  evidenceOf,
  type PlayContext,
  withEvidence,
} from '~/core/playability'
import { Button, Part } from '~/ui/parts'
import { tenth } from '~/words/figures'
import { LIMB_NAMES } from '~/words/limb-names'
import { capital } from '~/words/move-words'

interface EvidencePartProps {
  readonly plays: readonly CleanPlay[]
  readonly setting: PlayContext
  readonly onRaise: (player: Player) => void
}

/** Limb speeds that clean plays have beaten, and the offer to take the player's up to them. */
export const EvidencePart = memo(function EvidencePart({
  plays,
  setting,
  onRaise,
}: EvidencePartProps) {
  const evidence = useMemo(() => evidenceOf(plays, setting), [plays, setting])
  if (evidence.length === 0) return null
  return (
    <Part title="Faster than your limb speeds say">
      <p className="text-sm">
        What you played clean needs these limb speeds. You can undo the change on the Kit page.
      </p>
      <ul className="text-sm">
        {evidence.map((one) => (
          <li key={`${one.limb} ${one.kind}`}>{evidenceWords(one)}</li>
        ))}
      </ul>
      <div>
        <Button onClick={() => onRaise(withEvidence(setting.player, evidence))}>
          Raise my limb speeds
        </Button>
      </div>
    </Part>
  )
})

const KIND_WORDS: Readonly<Record<Evidence['kind'], string>> = {
  single: 'singles',
  double: 'doubles',
  triple: 'triples',
  buzz: 'buzz strokes',
  travel: 'moves between drums',
}

/** `Kick triples: 130.0 ms instead of 140.0`, `Right hand moves between drums: 10 % faster`. */
export function evidenceWords({ limb, kind, from, to }: Evidence): string {
  const who = `${capital(LIMB_NAMES[limb])} ${KIND_WORDS[kind]}`
  return kind === 'travel'
    ? `${who}: ${Math.round((1 - to / from) * 100)} % quicker`
    : `${who}: ${tenth(to)} ms instead of ${tenth(from)}`
}
