import { type ReactNode, useMemo } from 'react'
import { DocumentNotice } from '~/live/document-notice'
import { useDocument } from '~/live/use-document'
import { useSlices } from '~/live/use-slices'
import type { Kept, SetRecord } from '~/storage'
import { setDifferences } from '~/workspace/documents/set-differences'
import { type SetDocument, setDocument } from '~/workspace/documents/set-document'

/** The set that a lick is practised in. */
export interface InSet {
  readonly set: SetRecord
  readonly document: SetDocument
  /** What is wrong with saving the set; nothing where nothing is. */
  readonly notice: ReactNode
}

interface WithinSetProps {
  /** As it was stored when the page was opened; null for no set. */
  readonly opened: Kept<SetRecord> | null
  readonly children: (inSet: InSet | null) => ReactNode
}

/** Practice within a set: what is changed of its plan is saved in it, whichever exercise is open. */
export function WithinSet({ opened, children }: WithinSetProps) {
  return opened ? <Within opened={opened}>{children}</Within> : children(null)
}

function Within({ opened, children }: WithinSetProps & { opened: Kept<SetRecord> }) {
  const document = useDocument(() => setDocument(opened))
  const { content: set } = useSlices(document)
  const inSet = useMemo(
    (): InSet => ({
      set,
      document,
      notice: <DocumentNotice document={document} what="set" differences={setDifferences} />,
    }),
    [set, document],
  )
  return children(inSet)
}
