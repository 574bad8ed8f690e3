import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** Opens the library for the first time and then a lick of the demo on the bench. */
export async function openLick(page: Page, title: string): Promise<void> {
  await page.goto('/')
  await page.getByRole('link', { name: title, exact: true }).click()
  await expect(page.getByLabel('Title')).toHaveValue(title)
}

export const sticking = (page: Page) => page.getByRole('textbox', { name: 'Sticking' })
export const answers = (page: Page) => page.getByRole('complementary', { name: 'Answers' })
export const fits = (page: Page) => answers(page).getByRole('status')
export const kept = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible()

/** How many notes and rests the staff shows, once it is drawn. */
export const staffNotes = (page: Page) => page.locator('.staff-unit .vf-stavenote')

/** Whether axe finds nothing in either theme, and nothing is wider than a phone. */
export async function expectAccessible(page: Page): Promise<void> {
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme })
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(violations.map(({ id, nodes }) => [scheme, id, nodes[0]?.html])).toEqual([])
  }
  await page.setViewportSize({ width: 390, height: 800 })
  const wide = () => page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  await expect.poll(wide).toBe(0)
}
