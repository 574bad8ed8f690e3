import { useState } from 'react'
import { Link } from 'react-router'
import { formatLickText } from '~/codecs/lick-text'
import { formatSolo } from '~/codecs/solo'
import { soundsOn } from '~/core/kit'
import type { Setting } from '~/core/playing'
import { type Section, type Solo, soloSecondsPerTick } from '~/core/solo'
import { useSettings } from '~/live/use-live'
import { SaveSound } from '~/playback/save-sound'
import { Act, Part } from '~/ui/parts'
import { saveFile } from '~/ui/save-file'
import { partName } from '~/words/solo-words'

interface SoloFilesProps {
  readonly solo: Solo
  readonly sections: readonly Section[]
  readonly setting: Setting
}

/** A solo for paper, for other programs, and for other people. */
export function SoloFiles({ solo, sections, setting }: SoloFilesProps) {
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
  const musicXml = async () => {
    const { formatSoloMusicXml } = await import('~/codecs/musicxml')
    const written = formatSoloMusicXml(solo, sections, named, setting)
    saveFile(`${name}.musicxml`, 'application/vnd.recordare.musicxml+xml', written)
  }
  return (
    <Part title="On paper and in files" level={2}>
      <p className="flex flex-wrap gap-1.5">
        <Link
          to="/sheet"
          state={{ texts: sheetTexts(solo, sections, named) }}
          className="btn btn-outline border-base-300 btn-sm font-normal"
        >
          Make a sheet
        </Link>
        <Act onClick={() => fetched(midi())}>Save as MIDI</Act>
        <Act onClick={() => fetched(musicXml())}>Save as MusicXML</Act>
        <Act onClick={() => saveFile(`${name}.solo.json`, 'application/json', formatSolo(solo))}>
          Save the solo
        </Act>
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

/** The parts of a solo as lick texts for a sheet, each with its bars in its title. */
function sheetTexts(solo: Solo, sections: readonly Section[], names: readonly string[]): string[] {
  return sections.flatMap((section, i) => {
    const { lick, barsBefore, bars, time } = section
    if (time > 0) return []
    const last = sections.findLast(({ part }) => part === section.part) ?? section
    const end = last.barsBefore + last.bars
    const times = sections.filter(({ part }) => part === section.part).length
    const where = end - barsBefore > 1 ? `bars ${barsBefore + 1} to ${end}` : `bar ${end}`
    const often = times > 1 ? `, ${times} times` : ''
    const title = `${names[i]}, ${where}${often}`
    const tempo = Math.round(solo.tempo * 100) / 100
    const empty = lick.line.slots.length === 0
    const lead = empty ? Math.min(8, bars) : 0
    return [formatLickText({ ...lick, title, frame: { ...lick.frame, tempo, goal: null, lead } })]
  })
}
