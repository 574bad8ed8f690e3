import type { TickerRequest } from './protocol'

/** A steady pulse that a hidden or busy page does not slow down. */
let timer: ReturnType<typeof setInterval> | undefined

self.onmessage = ({ data }: MessageEvent<TickerRequest>) => {
  clearInterval(timer)
  if (data.kind === 'start') timer = setInterval(() => self.postMessage('tick'), data.everyMs)
}
