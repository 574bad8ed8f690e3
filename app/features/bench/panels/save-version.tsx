import { useState } from 'react'
import { formatVoicing } from '~/codecs/voicing'
import { useSaving } from '~/live/use-saving'
import { ErrorText, TextBox } from '~/ui/parts'
import { turnTexts } from '~/workspace/turned'
import { usePanel } from '../state/use-panel'
import { changeVersions } from './saved-store'

/** Saves what is on the bench, line and voices, as a version under a name. */
export function SaveVersion() {
  const { id, text, voicing, turned } = usePanel()
  const { tell, trouble, busy } = useSaving(changeVersions)
  const [name, setName] = useState('')
  const [saved, setSaved] = useState('')
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        const texts = turnTexts({ text, draft: null, voicing: formatVoicing(voicing) }, turned)
        void tell({ intent: 'save', lickId: id, name, ...texts }).then((notice) => {
          if (notice.trouble !== '') return
          setSaved(`Saved as ${name.trim()}.`)
          setName('')
        })
      }}
    >
      <TextBox
        label="Name of the version"
        className="w-52"
        placeholder="a name for it"
        maxLength={80}
        value={name}
        onType={(typed) => {
          setName(typed)
          setSaved('')
        }}
      />
      <button
        type="submit"
        className="btn btn-outline border-base-300 btn-sm font-normal"
        disabled={name.trim() === '' || busy}
      >
        Save this version
      </button>
      <span role="status" className="text-(--quiet) text-sm">
        {saved}
      </span>
      <ErrorText words={trouble} />
    </form>
  )
}
