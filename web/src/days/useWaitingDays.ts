/** Captures that wait on this device for days that are not open: sent from here too, so that nobody has to open each day. */
import { onMounted, onScopeDispose, reactive } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import { makeCaptureSender, type CaptureSender } from '../sync/captureSender.ts'
import { daysWaiting } from '../sync/outbox.ts'

export const useWaitingDays = (): { readonly total: number } => {
  const session = useSession()
  const senders: CaptureSender[] = []
  const counts = reactive(new Map<string, number>())
  const state = reactive({
    get total(): number {
      return [...counts.values()].reduce((sum, count) => sum + count, 0)
    },
  })

  onMounted(async () => {
    const accountId = session.account?.id
    if (!accountId) return
    for (const [occasionId, count] of await daysWaiting(accountId)) {
      counts.set(occasionId, count)
      const sender = makeCaptureSender(occasionId, accountId, {
        waiting: (waiting) => counts.set(occasionId, waiting),
        // kept as refused; the day shows it with its reason when it is opened
        refused: () => undefined,
        signedOut: () => undefined,
      })
      senders.push(sender)
      void sender.send()
    }
  })
  onScopeDispose(() => {
    for (const sender of senders) sender.stop()
  })
  return state
}
