import { useState } from 'react'
import { Link } from 'react-router'
import { formatSoloLink, MAX_LINK } from '~/codecs/link'
import { formatSolo } from '~/codecs/solo'
import { soundsOn } from '~/core/kit'
import type { PlayContext } from '~/core/playability'
import { type Section, type Solo, soloSecondsPerTick } from '~/core/solo'
import { useSettings } from '~/live/use-live'
import { SaveSound } from '~/session/save-sound'
import { Button, EmptyState, Part } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { partName } from '~/words/solo-words'

interface SoloFilesProps {
  readonly id: string
  readonly solo: Solo
  readonly sections: readonly Section[]
  readonly setting: PlayContext
}

/** A solo for paper, for other programs, and for other people. */
export function SoloFiles({ id, solo, sections, setting }: SoloFilesProps) {
  const [said, setSaid] = useState('')
  const { settings } = useSettings()
  const name = solo.title || 'solo'
  const fetched = (work: Promise<void>) =>
    void work.then(
      () => setSaid(''),
      () => setSaid('It could not be made. Check the connection, and try again.'),
    )
  const named = sections.map(({ part }) => {
    const found = solo.parts[part]
    return found ? partName(found) : ''
  })
  const midi = async () => {
    const { formatSoloMidi } = await import('~/codecs/midi')
    saveFile(`${name}.mid`, 'audio/midi', formatSoloMidi(solo, sections, named, setting))
  }
  const copyLink = () => {
    const link = `${location.origin}/link#${formatSoloLink(solo)}`
    if (link.length > MAX_LINK) {
      setSaid('The solo is too large for a link: save it as a file.')
      return
    }
    navigator.clipboard.writeText(link).then(
      () => setSaid('The link is copied. The whole solo is in it; no server has it.'),
      () => setSaid('The browser does not allow copying.'),
    )
  }
  const musicXml = async () => {
    const { formatSoloMusicXml } = await import('~/codecs/musicxml')
    const written = formatSoloMusicXml(solo, sections, named, setting)
    saveFile(`${name}.musicxml`, 'application/vnd.recordare.musicxml+xml', written)
  }
  if (sections.length === 0)
    return (
      <Part title="On paper and in files" level={2}>
        <EmptyState>There is nothing to print or to save yet. Add a part first.</EmptyState>
      </Part>
    )
  return (
    <Part title="On paper and in files" level={2}>
      <p className="flex flex-wrap gap-1.5">
        <Link
          to={`/sheet?solo=${id}&title=${encodeURIComponent(solo.title)}`}
          className="btn btn-outline border-base-300 btn-sm font-normal"
        >
          Make a sheet
        </Link>
        <Button onClick={() => fetched(midi())}>Save as MIDI</Button>
        <Button onClick={() => fetched(musicXml())}>Save as MusicXML</Button>
        <Button onClick={copyLink}>Copy a link</Button>
        <Button onClick={() => saveFile(`${name}.solo.json`, 'application/json', formatSolo(solo))}>
          Save the solo
        </Button>
      </p>
      <p role="status" className="text-(--quiet) text-sm empty:hidden">
        {said}
      </p>
      <SaveSound
        name={name}
        sequence={() => ({ turns: sections, perTick: soloSecondsPerTick(solo) })}
        options={{
          click: settings.click,
          parts: 'all',
          grooves: setting.grooves ?? [],
          swapsGroove: setting.player.swapsGroove ?? false,
          sounds: soundsOn(setting.kit),
        }}
      />
    </Part>
  )
}
