import { describe, expect, it } from 'vitest'
import type { Performance, TempoPlan } from '~/core/performance'
import { CLICK_VOLUME } from './mixer'
import { NO_SOUND, Playback, type PlaybackState, type Sound } from './playback'

/** A device that opens only when it is told to, and writes down what is asked of it. */
function bench() {
  const log: string[] = []
  const levels = new Map<string, number>()
  const states: PlaybackState[] = []
  const waiting: { open: () => void; fail: () => void }[] = []
  let end: () => void = () => undefined
  const softened: boolean[] = []
  const sound: Sound = {
    play: async (performance) => void log.push(`play ${performance as unknown as string}`),
    stop: () => void log.push('stop'),
    setPlan: () => undefined,
    setPerformance: () => undefined,
    setVolume: (channel, volume) => void levels.set(channel, volume),
    setSoftClick: (soft) => void softened.push(soft),
    position: () => undefined,
    level: () => 0,
    close: () => void log.push('close'),
  }
  const playback = new Playback(
    (onEnd) => {
      end = onEnd
      return new Promise((open, fail) =>
        waiting.push({ open: () => open(sound), fail: () => fail(new Error('no device')) }),
      )
    },
    (state) => states.push(state),
  )
  const wanted = (name: string) => ({
    compose: () => name as unknown as Performance,
    plan: () => (() => 0) as unknown as TempoPlan,
  })
  const settled = () => new Promise((done) => setTimeout(done, 0))
  return { log, levels, softened, states, waiting, playback, wanted, settled, end: () => end() }
}

describe('what is asked for while the sound opens', () => {
  it('plays when the device is there', async () => {
    const { playback, waiting, wanted, settled, log, states } = bench()
    void playback.start(wanted('a'))
    expect([playback.state, log]).toEqual(['opening', []])
    waiting[0]?.open()
    await settled()
    expect([playback.state, log]).toEqual(['playing', ['play a']])
    expect(states).toEqual(['opening', 'playing'])
  })

  it('a stop before it is open is honoured: nothing sounds', async () => {
    const { playback, waiting, wanted, settled, log } = bench()
    void playback.start(wanted('a'))
    playback.stop()
    waiting[0]?.open()
    await settled()
    expect([playback.state, log]).toEqual(['silent', []])
  })

  it('a page that is left before it is open closes it when it is there', async () => {
    const { playback, waiting, wanted, settled, log } = bench()
    void playback.start(wanted('a'))
    playback.close()
    waiting[0]?.open()
    await settled()
    expect([playback.state, log]).toEqual(['silent', ['close']])
    await playback.start(wanted('b'))
    expect(log).toEqual(['close'])
  })

  it('two starts open one device, and the last one is heard', async () => {
    const { playback, waiting, wanted, settled, log } = bench()
    void playback.start(wanted('a'))
    void playback.start(wanted('b'))
    expect(waiting).toHaveLength(1)
    waiting[0]?.open()
    await settled()
    expect(log).toEqual(['play b'])
  })

  it('stop and start again while it opens plays once', async () => {
    const { playback, waiting, wanted, settled, log } = bench()
    void playback.start(wanted('a'))
    playback.stop()
    void playback.start(wanted('b'))
    waiting[0]?.open()
    await settled()
    expect([playback.state, log]).toEqual(['playing', ['play b']])
  })

  it('volumes set meanwhile hold from the first stroke', async () => {
    const { playback, waiting, wanted, settled, levels } = bench()
    playback.setMuted('click', true)
    void playback.start(wanted('a'))
    playback.setVolume('RH', 0.5)
    waiting[0]?.open()
    await settled()
    expect([levels.get('click'), levels.get('RH')]).toEqual([0, 0.5])
  })
})

describe('a channel that is switched off and on', () => {
  it('keeps its volume', async () => {
    const { playback, waiting, wanted, settled, levels } = bench()
    void playback.start(wanted('a'))
    waiting[0]?.open()
    await settled()
    expect(levels.get('click')).toBe(CLICK_VOLUME)
    playback.setVolume('click', 0.3)
    playback.setMuted('click', true)
    expect(levels.get('click')).toBe(0)
    playback.setMuted('click', false)
    expect(levels.get('click')).toBe(0.3)
    playback.setMuted('click', true)
    playback.setVolume('click', 0.6)
    expect(levels.get('click')).toBe(0)
    playback.setMuted('click', false)
    expect(levels.get('click')).toBe(0.6)
  })
})

describe('a device that cannot be opened', () => {
  it('is told, and tried again at the next start', async () => {
    const { playback, waiting, wanted, settled, log } = bench()
    void playback.start(wanted('a'))
    waiting[0]?.fail()
    await settled()
    expect([playback.state, playback.trouble]).toEqual(['silent', NO_SOUND])
    void playback.start(wanted('b'))
    expect(waiting).toHaveLength(2)
    waiting[1]?.open()
    await settled()
    expect([playback.state, playback.trouble, log]).toEqual(['playing', '', ['play b']])
  })
})

describe('once it is open', () => {
  it('stops, ends by itself, and closes', async () => {
    const { playback, waiting, wanted, settled, log, states, end } = bench()
    void playback.start(wanted('a'))
    waiting[0]?.open()
    await settled()
    playback.stop()
    void playback.start(wanted('b'))
    await settled()
    end()
    expect(states).toEqual(['opening', 'playing', 'silent', 'playing', 'silent'])
    playback.close()
    await settled()
    expect(log).toEqual(['play a', 'stop', 'stop', 'play b', 'close'])
  })

  it('lets clicks come in softly, also where that was asked before there was sound', async () => {
    const { playback, waiting, wanted, settled, softened } = bench()
    playback.setSoftClick(true)
    void playback.start(wanted('a'))
    waiting[0]?.open()
    await settled()
    playback.setSoftClick(false)
    expect(softened).toEqual([true, false])
  })
})
