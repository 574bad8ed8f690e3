import type { Page } from '@playwright/test'

export const SIZES: readonly { readonly width: number; readonly height: number }[]
export function visibleRows(page: Page): Promise<Record<string, [number, number]>>
