import { type Dispatch, useCallback, useEffect, useRef } from 'react'
import { parseLickText } from '~/codecs/lick-text'
import type { Lick } from '~/core/line'
import type { BenchCommand, BenchDocument, SetRow } from '~/workspace/document'
import type { Edit } from '~/workspace/edits/edits'
import { speedNotice, withRows } from '../frame/frame-change'
import type { Notice } from './use-notice'

/**
 * Sets rows of the text, and makes edits. A change of metre or grid says what it kept, tempo or stroke
 * speed, and offers the other.
 */
export function useFrameSet(
  document: BenchDocument,
  run: Dispatch<BenchCommand>,
  tellNext: (notice: Notice) => void,
  edit: (edit: Edit, base: Lick) => boolean,
) {
  const now = useRef(document)
  useEffect(() => {
    now.current = document
  }, [document])
  const tellSpeed = useCallback(
    (before: Lick, after: Lick) => {
      const notice = speedNotice(before, after)
      if (!notice) return
      const { message, offer } = notice
      const act = () => offer && run({ kind: 'set', rows: offer.rows })
      tellNext({ message, ...(offer && { offer: { label: offer.label, act } }) })
    },
    [run, tellNext],
  )
  const setRows = useCallback(
    (rows: readonly SetRow[]) => {
      const { good, history } = now.current
      run({ kind: 'set', rows })
      if (!rows.some(([key]) => key === 'meter' || key === 'grid')) return
      const read = parseLickText(withRows(history.text, rows))
      if (read.ok) tellSpeed(good.lick, read.value.lick)
    },
    [run, tellSpeed],
  )
  const editAndTell = useCallback(
    (made: Edit, base: Lick) => {
      if (edit(made, base)) tellSpeed(base, made.lick)
    },
    [edit, tellSpeed],
  )
  return { setRows, edit: editAndTell }
}
