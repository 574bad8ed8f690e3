import { useState } from 'react'
import { formatSetLink, MAX_LINK } from '~/codecs/link'
import { loadLicks, type SetRecord } from '~/storage'
import { Button } from '~/ui/parts'

/** Copies a link with the whole set in it. */
export function ShareSet({ set }: { set: SetRecord }) {
  const [said, setSaid] = useState('')
  const copy = async () => {
    const read = await loadLicks(set.exercises.map(({ lickId }) => lickId))
    if (!read.ok || read.value.length === 0) {
      setSaid('The licks of this set cannot be read.')
      return
    }
    const { name, minutes, plan } = set
    const licks = read.value.map(({ text, voicing }) => ({ text, voicing }))
    const link = `${location.origin}/link#${formatSetLink({ name, minutes, plan, licks })}`
    if (link.length > MAX_LINK) {
      setSaid('The set is too large for a link: export it as a file.')
      return
    }
    await navigator.clipboard.writeText(link).then(
      () => setSaid('The link is copied. All licks are in it; no server has them.'),
      () => setSaid('The browser does not allow copying.'),
    )
  }
  return (
    <>
      <Button onClick={() => void copy()}>Copy a link</Button>
      <span role="status" className="w-full text-right text-(--quiet) text-sm empty:hidden">
        {said}
      </span>
    </>
  )
}
