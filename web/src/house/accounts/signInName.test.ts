import { expect, test } from 'vitest'
import { nextTick, ref } from 'vue'
import { followName, nameFrom } from './signInName.ts'

test.each([
  ['Ásta Merrow', 'asta.merrow'],
  ["Nuala O'Brien-Saar", 'nuala.o.brien.saar'],
  ['  Bo  ', 'bo'],
  ['李', ''],
])('%s could sign in as %s', (displayName, expected) => {
  expect(nameFrom(displayName)).toBe(expected)
})

test('the sign-in name follows the name until somebody types another', async () => {
  const [displayName, signInName] = [ref(''), ref('')]
  followName(displayName, signInName)
  displayName.value = 'Asta'
  await nextTick()
  displayName.value = 'Asta Merrow'
  await nextTick()
  expect(signInName.value).toBe('asta.merrow')
  signInName.value = 'merrow'
  displayName.value = 'Asta Merrow-Hale'
  await nextTick()
  expect(signInName.value).toBe('merrow')
})
