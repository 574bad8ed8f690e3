import { Archive, Trash2, Upload } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Link, useNavigate } from 'react-router'
import { ExportButton, stageFiles } from '../backup'

const BUTTON = 'btn btn-ghost max-sm:btn-square'

/** The ways in and out of the library: files of any kind that can be read, also dropped and pasted; a backup; the bin. */
export function LibraryFiles({ hasLicks }: { hasLicks: boolean }) {
  const input = useRef<HTMLInputElement>(null)
  const navigate = useNavigate()
  useEffect(() => {
    const over = (event: DragEvent) => {
      if (event.dataTransfer?.types.includes('Files')) event.preventDefault()
    }
    const drop = (event: DragEvent) => {
      const files = event.dataTransfer?.files
      if (!files || files.length === 0) return
      event.preventDefault()
      stageFiles(files)
      navigate('/backup')
    }
    const paste = (event: ClipboardEvent) => {
      const found = pastedFiles(event)
      if (found.length === 0) return
      event.preventDefault()
      stageFiles(found)
      navigate('/backup')
    }
    window.addEventListener('dragover', over)
    window.addEventListener('drop', drop)
    window.addEventListener('paste', paste)
    return () => {
      window.removeEventListener('dragover', over)
      window.removeEventListener('drop', drop)
      window.removeEventListener('paste', paste)
    }
  }, [navigate])
  return (
    <>
      <input
        ref={input}
        type="file"
        multiple
        className="sr-only"
        aria-label="Files to import"
        tabIndex={-1}
        onChange={(event) => {
          stageFiles(event.target.files ?? [])
          event.target.value = ''
          navigate('/backup')
        }}
      />
      <button type="button" className={BUTTON} onClick={() => input.current?.click()}>
        <Upload size={18} aria-hidden />
        <span className="max-sm:sr-only">Import</span>
      </button>
      {hasLicks && (
        <ExportButton lickIds={null} className={BUTTON}>
          <Archive size={18} aria-hidden />
          <span className="max-sm:sr-only">Back up</span>
        </ExportButton>
      )}
      <Link to="/bin" className={BUTTON}>
        <Trash2 size={18} aria-hidden />
        <span className="max-sm:sr-only">Bin</span>
      </Link>
    </>
  )
}

/** Files that are pasted, or a text that looks like one of ours or a score; none into a field. */
function pastedFiles({ clipboardData, target }: ClipboardEvent): File[] {
  if (
    !clipboardData ||
    (target instanceof HTMLElement && target.closest('input, textarea, select'))
  )
    return []
  if (clipboardData.files.length > 0) return [...clipboardData.files]
  const text = clipboardData.getData('text/plain').trimStart()
  return /^(dime-lick:|[a-z-]+: |[{<])/.test(text) ? [new File([text], 'pasted text')] : []
}
