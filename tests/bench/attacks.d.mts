import type { Browser, BrowserContext, Locator, Page } from '@playwright/test'

type Leave = (page: Page, bench: string, context: BrowserContext) => Promise<Page>
export declare const WAYS_OUT: Readonly<
  Record<'a reload' | 'a link' | 'a tab closed' | 'another address', Leave>
>
/** Something that is typed in: how its page is opened, and again after a kill, and its field. */
interface Typed {
  readonly open: (page: Page, address: string) => Promise<unknown>
  readonly reopen?: (page: Page) => Promise<unknown>
  readonly field: (page: Page) => Locator
}
export declare const TYPED: Readonly<
  Record<'line' | 'note of a set' | 'title of a solo' | 'note of a lick' | 'name of a kit', Typed>
>
export declare function killWhileTyping(
  address: string | undefined,
  times: number,
  what?: Typed,
): Promise<{ lost: number; plain: number }[]>
export declare function leaveAfterKey(
  browser: Browser,
  address: string | undefined,
  times: number,
  leave: Leave,
): Promise<number[]>
export declare function nextPageShows(
  browser: Browser,
  address: string | undefined,
  times: number,
): Promise<number>
