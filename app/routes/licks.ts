import { listLicks } from '~/storage'

/** Every lick of this browser, to compare one with the others. */
export async function clientLoader() {
  const licks = await listLicks()
  return licks.ok ? licks.value.licks : []
}
