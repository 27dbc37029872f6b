import { MadeAnswer, PeopleAnswer } from '@able-gauge/core'
import { expect, test, vi } from 'vitest'
import { call, inWords, NoAnswer, Refusal, tell } from './api.ts'

const answer = (body: string, status = 200, type = 'application/json'): void => {
  vi.stubGlobal('fetch', () =>
    Promise.resolve(new Response(status === 204 ? null : body, { status, headers: { 'Content-Type': type } })),
  )
}
const failure = async (work: Promise<unknown>): Promise<unknown> => {
  try {
    await work
  } catch (error) {
    return error
  }
  throw new Error('It was answered.')
}

test('an answer as the route declares it is handed on as it was sent', async () => {
  answer('{"id":"7","later":"than this page knows"}')
  expect(await call('POST', '/occasions', MadeAnswer, {})).toEqual({ id: '7', later: 'than this page knows' })
})

test('an answer of another form is no answer, and its place is told', async () => {
  answer('{"people":[{"id":"1"}]}')
  const error = await failure(call('GET', '/people', PeopleAnswer))
  expect(error).toBeInstanceOf(NoAnswer)
  expect(inWords(error)).toContain('people[0].tests is nothing, expected')
})

test('a page that somebody else puts between is no answer', async () => {
  answer('<html>Sign in to this network</html>', 200, 'text/html')
  expect(await failure(call('GET', '/people', PeopleAnswer))).toBeInstanceOf(NoAnswer)
})

test('a refusal is told with its places; a server that is away is no refusal', async () => {
  answer(
    '{"title":"input.invalid","detail":"Nothing was stored.","findings":[{"place":"name","expected":"some text"}]}',
    422,
    'application/problem+json',
  )
  const refusal = await failure(call('POST', '/occasions', MadeAnswer, {}))
  expect(refusal).toBeInstanceOf(Refusal)
  expect(inWords(refusal)).toBe('Nothing was stored. name: expected some text')
  answer('Bad gateway', 502, 'text/html')
  expect(await failure(tell('DELETE', '/session'))).toBeInstanceOf(NoAnswer)
})

test('what answers nothing is done when it is answered', async () => {
  answer('', 204)
  await expect(tell('DELETE', '/session')).resolves.toBeUndefined()
})
