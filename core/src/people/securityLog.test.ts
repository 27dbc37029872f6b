import { expect, test } from 'vitest'
import { isRefusal, SECURITY_EVENT_KINDS, securityEventInWords, securityFactsInWords } from './securityLog.ts'

test('every kind has a sentence of its own, and one that is not known is told by its name', () => {
  const sentences = SECURITY_EVENT_KINDS.map(securityEventInWords)
  expect(new Set(sentences).size).toBe(SECURITY_EVENT_KINDS.length)
  expect(sentences.filter((sentence) => sentence.includes('.'))).toEqual([])
  expect(securityEventInWords('toString.later')).toBe('toString.later')
})

test('what was refused is told apart', () => {
  expect(SECURITY_EVENT_KINDS.filter(isRefusal)).toEqual([
    'signIn.refused',
    'station.refused',
    'access.refused',
    'signature.refused',
    'link.refused',
    'password.refused',
    'secondFactor.refused',
    'house.refused',
    'ownPage.refused',
  ])
})

test('facts stand beside it with their names, and empty ones are left out', () => {
  expect(securityFactsInWords({ address: '::1', day: 'd7', person: '' })).toBe('from ::1, day d7')
  expect(securityFactsInWords({})).toBe('')
})
