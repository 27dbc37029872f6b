import { flushPromises, mount } from '@vue/test-utils'
import { expect, test } from 'vitest'
import { entry, json, MOUNTED, openDay, problem } from '../../testing/openDay.ts'
import HouseKeys from './HouseKeys.vue'

const open = async (trusted: readonly object[] = []) => {
  const { server } = await openDay({ entries: [entry(9)], role: 'officer' })
  const listed = [...trusted]
  server.answer('GET', '/keys', () =>
    json({ own: { publicKey: 'ab', pem: 'PEM', fingerprint: '1111-2222' }, trusted: listed }),
  )
  const keys = mount(HouseKeys, MOUNTED)
  await flushPromises()
  return { server, keys, listed }
}

test('the own key is told by its fingerprint, and those believed by whose they are and who said so', async () => {
  const { keys } = await open([
    {
      publicKey: 'cd',
      atMs: 1,
      fingerprint: '3333-4444',
      name: 'Harbour and Hill Fire Service',
      by: 'Ines Calloway-Brandt',
    },
  ])
  expect(keys.text()).toContain('1111-2222')
  expect(keys.get('li').text()).toContain('Harbour and Hill Fire Service 3333-4444')
  expect(keys.get('li').text()).toContain('added by Ines Calloway-Brandt')
})

test('a key is added with whose it is, and stands in the list', async () => {
  const { keys, server, listed } = await open()
  expect(keys.find('li').exists()).toBe(false)
  server.answer('POST', '/keys', () => {
    listed.push({ publicKey: 'ef', atMs: 2, fingerprint: '5555-6666', name: 'Territorial Guard', by: 'The officer' })
    return json({ fingerprint: '5555-6666' }, 201)
  })
  await keys.get('#key-name').setValue(' Territorial Guard ')
  await keys.get('#key-text').setValue('-----BEGIN PUBLIC KEY-----')
  await keys.get('form').trigger('submit')
  await flushPromises()
  expect(server.asked.at(-1)).toMatchObject({ body: { name: 'Territorial Guard', key: '-----BEGIN PUBLIC KEY-----' } })
  expect(keys.get('li').text()).toContain('5555-6666')
  expect((keys.get('#key-text').element as HTMLTextAreaElement).value).toBe('')
})

test('what is no key is refused in words, and what was typed stays', async () => {
  const { keys, server } = await open()
  server.answer('POST', '/keys', () => problem(422, 'input.invalid', 'Nothing was stored. Look at: key.'))
  await keys.get('#key-name').setValue('Territorial Guard')
  await keys.get('#key-text').setValue('a key')
  await keys.get('form').trigger('submit')
  await flushPromises()
  expect(keys.get('[role="alert"]').text()).toBe('Nothing was stored. Look at: key.')
  expect((keys.get('#key-text').element as HTMLTextAreaElement).value).toBe('a key')
})
