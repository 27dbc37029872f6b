/** What the tab of the browser is called: the room, then the day or the event, so that ten open tabs can be told apart. */
import { useTitle } from '@vueuse/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { shortName } from './day/day.ts'
import { useDay } from './day/dayStore.ts'

const NAME = 'Able Gauge'

export const usePageTitle = (): void => {
  const route = useRoute()
  const store = useDay()
  const parts = computed(() => {
    const day = route.params['dayId'] === store.day?.occasion.id ? store.day : null
    const event = day?.standard.events.find(({ id }) => id === route.params['eventId'])
    const bib = String(route.query['bib'] ?? '')
    const entry = day?.entries.find((one) => bib !== '' && String(one.bib) === bib)
    return [
      entry ? `${bib} ${shortName(entry)}` : '',
      event?.name ?? route.meta.title ?? '',
      day?.occasion.name ?? '',
      NAME,
    ]
  })
  useTitle(computed(() => parts.value.filter(Boolean).join(', ')))
}
