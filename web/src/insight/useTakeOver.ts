/** Takes what the method leaves open over into a new version of the standard, to be looked at before it is published. */
import { DraftAnswer, edited, VersionDetailAnswer, VersionsAnswer } from '@able-gauge/core'
import { useRouter } from 'vue-router'
import { call } from '../api.ts'
import { useAsking } from '../ui/useAsking.ts'

export const useTakeOver = (standardId: () => string) => {
  const router = useRouter()
  const { busy, problem, asking } = useAsking()
  /** @param uncertainty either way, in the unit of the event */
  const take = (eventId: string, uncertainty: number): Promise<void> =>
    asking(async () => {
      const id = standardId()
      const own = (await call('GET', '/standards', VersionsAnswer)).versions.filter((one) => one.id === id)
      const newest = own.find(({ state }) => state === 'published') ?? own[0]
      if (!newest) return
      const { content } = await call('GET', `/standards/${id}/${newest.version}`, VersionDetailAnswer)
      const version = Math.max(...own.map((one) => one.version)) + 1
      const { events = [] } = content as { events?: readonly { readonly id?: string }[] }
      const at = events.findIndex((event) => event.id === eventId)
      const next = edited(content, [
        { place: 'version', value: version },
        { place: `events[${at}].uncertainty`, value: uncertainty },
      ])
      await call('POST', '/standards', DraftAnswer, { id, version, content: next })
      await router.push({ name: 'edit', params: { standardId: id, version } })
    })
  return { busy, problem, take }
}
