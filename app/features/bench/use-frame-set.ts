import { type Dispatch, useCallback, useEffect, useRef } from 'react'
import { parseLickText } from '~/codecs/lick-text'
import { speedNotice, withRows } from '../frame/frame-change'
import type { BenchCommand, BenchDocument, SetRow } from './document'
import type { Notice } from './use-notice'

/**
 * Sets rows of the text. A change of metre or grid says what it kept, tempo or stroke speed, and offers
 * the other.
 */
export function useFrameSet(
  document: BenchDocument,
  run: Dispatch<BenchCommand>,
  tell: (notice: Notice, about: string) => void,
): (rows: readonly SetRow[]) => void {
  const now = useRef(document)
  useEffect(() => {
    now.current = document
  }, [document])
  return useCallback(
    (rows) => {
      const { good, history } = now.current
      run({ kind: 'set', rows })
      if (!rows.some(([key]) => key === 'meter' || key === 'grid')) return
      const text = withRows(history.text, rows)
      const read = parseLickText(text)
      const notice = read.ok && speedNotice(good.lick, read.value.lick)
      if (!notice) return
      const { message, offer } = notice
      const act = () => offer && run({ kind: 'set', rows: offer.rows })
      tell({ message, ...(offer && { offer: { label: offer.label, act } }) }, text)
    },
    [run, tell],
  )
}
