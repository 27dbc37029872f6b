/** A newer version of the program: offered between events, taken by a press, put off for as long as the page is open. */
import { mount } from '@vue/test-utils'
import { afterEach, expect, test, vi } from 'vitest'
import { nextTick, reactive } from 'vue'
import { routeLocationKey } from 'vue-router'
import { takeNewer } from './keptOnDevice.ts'
import UpdateOffer from './UpdateOffer.vue'

afterEach(() => {
  takeNewer.value = null
})
const open = (name: string) => {
  const route = reactive({ name })
  const offer = mount(UpdateOffer, { global: { provide: { [routeLocationKey as symbol]: route } } })
  return { route, offer, button: (words: string) => offer.findAll('button').find((one) => one.text() === words) }
}

test('nothing is offered beside a candidate; back in the list it is, and a press takes it', async () => {
  const take = vi.fn()
  const { route, offer, button } = open('event')
  takeNewer.value = take
  await nextTick()
  expect(offer.text()).toBe('')
  route.name = 'run'
  await nextTick()
  await button('Take it now')?.trigger('click')
  expect(take).toHaveBeenCalledTimes(1)
})

test('put off, it is not offered again while the page is open', async () => {
  const { route, offer, button } = open('days')
  takeNewer.value = () => undefined
  await nextTick()
  await button('Later')?.trigger('click')
  route.name = 'run'
  await nextTick()
  expect(offer.text()).toBe('')
})
