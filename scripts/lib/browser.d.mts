import type { Browser } from '@playwright/test'

export const CHROMIUM_ARGS: string[]
export const openBrowser: () => Promise<Browser>
