import { useCallback, useEffect, useState } from 'react'
import { findVoicedLick } from '~/codecs/voicing'
import type { Lick } from '~/core/line'
import type { Solo, SoloPart } from '~/core/solo'
import { loadVersions } from '~/storage'

interface VersionOf {
  readonly lickId: string
  readonly name: string
  readonly lick: Lick
}

/** The saved versions of the licks in a solo, part by part. */
export function useVersionsOf({ parts }: Solo) {
  const [versions, setVersions] = useState<readonly VersionOf[]>([])
  const ids = [
    ...new Set(parts.flatMap((part) => ('lickId' in part && part.lickId ? [part.lickId] : []))),
  ].join(' ')
  useEffect(() => {
    let here = true
    if (ids === '') setVersions([])
    else
      void loadVersions(ids.split(' ')).then((read) => {
        if (!here || !read.ok) return
        setVersions(
          read.value.flatMap(({ lickId, name, text, voicing }) => {
            const lick = findVoicedLick({ text, voicing })
            return lick && lick.line.slots.length > 0 ? [{ lickId, name, lick }] : []
          }),
        )
      })
    return () => {
      here = false
    }
  }, [ids])
  return useCallback(
    (part: SoloPart) =>
      'lickId' in part && part.lickId !== null
        ? versions.filter(({ lickId }) => lickId === part.lickId)
        : [],
    [versions],
  )
}
