/** What the protocol has said at given moments: shown for a few seconds and spoken once. */
import type { Announcement } from '@able-gauge/core'
import { computed, watch, type ComputedRef } from 'vue'
import { useSound } from '../../sound/useSound.ts'

const SHOWN_MS = 6_000

/** @param elapsedMs from the start; null while nothing runs */
export const useAnnouncements = (
  announcements: () => readonly Announcement[] | undefined,
  elapsedMs: () => number | null,
): { readonly announced: ComputedRef<string> } => {
  const { say } = useSound()
  const announced = computed(() => {
    const now = elapsedMs()
    if (now === null) return ''
    const due = announcements()?.filter(({ atMs }) => atMs !== undefined && atMs <= now && now - atMs < SHOWN_MS)
    return due?.at(-1)?.say ?? ''
  })
  watch(announced, (words) => {
    if (words !== '') say(words)
  })
  return { announced }
}
