import { useState } from 'react'
import { formatLickText } from '~/codecs/lick-text'
import { formatVoicing } from '~/codecs/voicing'
import { CHANGES } from '~/core/change-list'
import { halfRateOstinatos, withoutOstinatos } from '~/core/changes'
import { isEqual } from '~/core/foundation'
import { isPlain, PLAIN_VOICING } from '~/core/voicing'
import { useSaving } from '~/live/use-saving'
import { Checkbox } from '~/ui/checkbox'
import { Button, ErrorText, Part } from '~/ui/parts'
import { applyChange } from '~/workspace/edits/change-edits'
import type { Edit } from '~/workspace/edits/edits'
import { turnTexts } from '~/workspace/turned'
import type { PanelView } from '../state/use-panel'
import { changeVersions } from './saved-store'
import { showing } from './showing'

/** What makes the lick easier, each a press, and each a version of its own where that is wanted. */
export function EasierPart(props: PanelView) {
  const { id, lick, voicing, range, turned, onEdit, onShow, onVoice } = props
  const { tell, trouble } = useSaving(changeVersions)
  const [saves, setSaves] = useState(false)
  const easier = CHANGES.filter(({ kind }) => kind === 'easier').map((change) =>
    applyChange(lick, range, change),
  )
  const slowFeet = halfRateOstinatos(lick)
  const edits: readonly Edit[] = [
    ...easier.filter((edit) => !isEqual(edit.lick.line, lick.line)),
    ...(slowFeet ? [{ label: 'Feet at half the rate', lick: slowFeet }] : []),
    ...(lick.ostinatos.length > 0
      ? [{ label: 'No feet under it', lick: withoutOstinatos(lick) }]
      : []),
  ]
  const save = (edit: Edit, kept = voicing) => {
    if (!saves) return
    const texts = { text: formatLickText(edit.lick), draft: null, voicing: formatVoicing(kept) }
    void tell({ intent: 'save', lickId: id, name: edit.label, ...turnTexts(texts, turned) })
  }
  if (edits.length === 0 && isPlain(voicing)) return null
  return (
    <Part title="Easier">
      <div className="flex flex-wrap gap-1.5">
        {edits.map((edit) => (
          <Button
            key={edit.label}
            onClick={() => {
              if (onEdit(edit)) save(edit)
            }}
            {...showing(onShow, () => edit)}
          >
            {edit.label}
          </Button>
        ))}
        {!isPlain(voicing) && (
          <Button
            onClick={() => {
              onVoice('No voices', { ...voicing, rules: [], pins: [] })
              save({ label: 'No voices', lick }, PLAIN_VOICING)
            }}
          >
            No voices
          </Button>
        )}
      </div>
      <Checkbox className="text-sm" checked={saves} onTick={setSaves}>
        Save each as a version
      </Checkbox>
      <ErrorText words={trouble} />
    </Part>
  )
}
