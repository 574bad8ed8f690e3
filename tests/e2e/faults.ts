import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** Rules that another theme can break: what one theme breaks besides these, the other does too. */
const OF_COLOURS = ['color-contrast', 'link-in-text-block']

/**
 * Expects that axe finds nothing on a page, or on the part of it that a selector finds, in either theme.
 * Pages have no frames, so that axe can stay in the page and needs none beside it.
 */
export async function expectNoFault(
  page: Page,
  part?: string,
  themes: readonly ('light' | 'dark')[] = ['light', 'dark'],
): Promise<void> {
  for (const colorScheme of themes) {
    await page.emulateMedia({ colorScheme })
    const axe = new AxeBuilder({ page }).setLegacyMode().options({
      resultTypes: ['violations'],
      ...(colorScheme === 'dark' && { runOnly: OF_COLOURS }),
    })
    const { violations } = await (part ? axe.include(part) : axe).analyze()
    const found = violations.map(({ id, nodes }) => [colorScheme, id, nodes[0]?.html])
    expect(found, part).toEqual([])
  }
}
