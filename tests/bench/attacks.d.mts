import type { Browser, BrowserContext, Page } from '@playwright/test'

type Leave = (page: Page, bench: string, context: BrowserContext) => Promise<Page>
export declare const WAYS_OUT: Readonly<Record<string, Leave>>
export declare function killWhileTyping(
  address: string | undefined,
  times: number,
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
