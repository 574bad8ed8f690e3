import { useState } from 'react'
import { Link } from 'react-router'
import { formatLink } from '~/codecs/link'
import { Button, Part } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { usePanel } from '../state/use-panel'
import { useWorkspace } from '../state/use-workspace'

const LINK = 'btn btn-outline border-base-300 btn-sm font-normal'

interface FilesPartProps {
  readonly text: string
  /** The text with its voices and its own groove, to travel in files of other formats. */
  readonly withVoices: () => string
}

/**
 * The lick for other programs and other people: as MIDI and MusicXML, and in a link. What writes a file is
 * fetched when it is asked for first.
 */
export function FilesPart({ text, withVoices }: FilesPartProps) {
  const workspace = useWorkspace()
  const { id, voiced, grooves, setting } = usePanel()
  const [said, setSaid] = useState('')
  const name = voiced.title || 'lick'
  const { kit, player } = setting
  const midi = async () => {
    const { formatMidi } = await import('~/codecs/midi')
    const swapsGroove = player.swapsGroove ?? false
    const bytes = formatMidi(voiced, { kit, grooves, swapsGroove, text: withVoices() })
    saveFile(`${name}.mid`, 'audio/midi', bytes)
  }
  const musicXml = async (packed: boolean) => {
    const { formatMusicXml, formatMxl } = await import('~/codecs/musicxml')
    const options = {
      beaming: 'beat',
      repeats: true,
      grooves,
      kit,
      text: withVoices(),
    } as const
    const written = formatMusicXml(voiced, options)
    const type = 'application/vnd.recordare.musicxml'
    if (packed) saveFile(`${name}.mxl`, type, formatMxl(written) as Uint8Array<ArrayBuffer>)
    else saveFile(`${name}.musicxml`, `${type}+xml`, written)
  }
  const copyLink = () => {
    const { voicing } = workspace.session.texts()
    const link = `${location.origin}/link#${formatLink({ text, voicing })}`
    navigator.clipboard.writeText(link).then(
      () => setSaid('The link is copied. The whole lick is in it; no server has it.'),
      () => setSaid('The browser does not allow copying.'),
    )
  }
  const copyPicture = async () => {
    const { lickPicture } = await import('../../sheet')
    // Handed over as a promise: the browser still sees that it was asked for by hand.
    const picture = lickPicture(voiced, { kit, grooves })
    await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })]).then(
      () => setSaid('The picture is copied.'),
      () => setSaid('The browser does not allow copying pictures.'),
    )
  }
  const share = () => {
    const { voicing } = workspace.session.texts()
    const url = `${location.origin}/link#${formatLink({ text, voicing })}`
    // Given up by hand is no fault.
    void navigator.share({ title: name, url }).catch(() => {})
  }
  const fetched = (work: Promise<void>) =>
    void work.then(
      () => setSaid(''),
      () => setSaid('It could not be made. Check the connection, and try again.'),
    )
  return (
    <>
      <Part title="On paper">
        <p className="flex flex-wrap gap-1.5">
          <Link to={`/sheet?licks=${id}`} className={LINK}>
            Make a sheet
          </Link>
          <Link to={`/sheet?licks=${id}&with=parts,versions`} className={LINK}>
            A page for a pupil
          </Link>
          <Link to={`/sets?add=${id}`} className={LINK}>
            Add to a set
          </Link>
        </p>
        <p className="text-(--quiet) text-sm">
          The sheet is printed, or saved as PDF, SVG or PNG. The page for a pupil has the steps of
          its practice plan, your saved versions, and the tempos to tick off.
        </p>
      </Part>
      <Part title="For other programs, and to share">
        <p className="flex flex-wrap gap-1.5">
          <Button onClick={() => fetched(midi())}>Save as MIDI</Button>
          <Button onClick={() => fetched(musicXml(false))}>Save as MusicXML</Button>
          <Button onClick={() => fetched(musicXml(true))}>Save as MXL</Button>
          <Button onClick={copyLink}>Copy a link</Button>
          <Button onClick={() => void copyPicture()}>Copy as a picture</Button>
          {'share' in navigator && <Button onClick={share}>Share …</Button>}
        </p>
        <p role="status" className="text-(--quiet) text-sm">
          {said}
        </p>
      </Part>
    </>
  )
}
