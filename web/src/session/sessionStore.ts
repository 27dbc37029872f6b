import { defineStore } from 'pinia'
import { ref } from 'vue'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import {
  type AccountAnswer as Account,
  type Action,
  type DemoSignIns,
  type FoundHouseBody,
  may,
  type Role,
  SessionAnswer,
  type SessionAsks,
  SignedInAnswer,
} from '@able-gauge/core'
import { tell, call, NoAnswer } from '../api.ts'
import { forgetKeptDays } from '../sync/keptDays.ts'
import { deviceId } from '../sync/outbox.ts'
import { writeAs } from '../ui/houseStyle.ts'
import { makeSessionSpan } from './sessionSpan.ts'

export type { AccountAnswer as Account } from '@able-gauge/core'
export type { Role }

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  administrator: 'administrator',
  officer: 'officer in charge',
  grader: 'grader',
  timer: 'timer',
  clerk: 'check-in clerk',
  records: 'records officer',
  viewer: 'read only',
}

const ASKS_NOTHING: SessionAsks = { secondFactor: false, codeToSign: false }

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const account = ref<Account | null>(null)
  const demo = ref<DemoSignIns | null>(null)
  /** Whether nobody looks after this house yet. */
  const isUnfounded = ref(false)
  /** What the organisation is called; empty where nobody said. */
  const organisation = ref('')
  /** When the mark of the house was last changed; null where it has none. */
  const markSinceMs = ref<number | null>(null)
  /** Where others reach this house; null where nobody said. */
  const publicAddress = ref<string | null>(null)
  /** Whether published standards can be read by everybody who has their link. */
  const standardsPublic = ref(false)
  const known = ref(false)
  const asks = ref<SessionAsks>(ASKS_NOTHING)

  /** Who was signed in here last, for when there is no network to ask. It opens nothing on the server. */
  const lastAccount = useLocalStorage<Account | null>('able-gauge-account', null, {
    serializer: StorageSerializers.object,
  })

  /** How long the session lasts, counted on this device's monotonic clock. */
  const span = makeSessionSpan(() => void end())

  const take = (signedIn: Account, endsInMs: number | null): void => {
    account.value = signedIn
    lastAccount.value = signedIn
    span.begin(endsInMs)
  }

  const look = async (): Promise<void> => {
    try {
      const answer = await call('GET', '/session', SessionAnswer)
      demo.value = answer.demo
      isUnfounded.value = answer.isUnfounded
      organisation.value = answer.organisation
      markSinceMs.value = answer.markSinceMs
      publicAddress.value = answer.publicAddress
      standardsPublic.value = answer.standardsPublic
      asks.value = answer.asks
      writeAs(answer.style)
      if (answer.account) take(answer.account, answer.endsInMs)
      else if (lastAccount.value) await end()
    } catch (error) {
      if (!(error instanceof NoAnswer) || !lastAccount.value) throw error
      // without a network the same person goes on, as long as the session would have lasted
      if (span.resume()) account.value = lastAccount.value
      else await end()
    }
    known.value = true
  }

  const enter = ({ account: signedIn, asks: asked }: SignedInAnswer): void => {
    asks.value = asked
    take(signedIn, null)
  }

  /** @param code of the authenticator; empty until it is asked for */
  const signIn = async (signInName: string, password: string, code: string): Promise<void> => {
    const body = { signInName, password, ...(code === '' ? {} : { code }) }
    enter(await call('POST', '/session', SignedInAnswer, body))
  }

  /** Chooses a password by a link. @param factorCode of the authenticator; empty where the account has none */
  const takeLink = async (code: string, password: string, factorCode: string): Promise<void> => {
    const body = { code, password, ...(factorCode === '' ? {} : { factorCode }) }
    enter(await call('POST', '/session/link', SignedInAnswer, body))
  }

  /** Becomes the first administrator of a house that has none. */
  const found = async (founding: FoundHouseBody): Promise<void> => {
    const answer = await call('POST', '/session/house', SignedInAnswer, founding)
    isUnfounded.value = false
    organisation.value = founding.organisation
    enter(answer)
  }

  /** Joins a station with its short code. @returns the day it belongs to */
  const joinStation = async (code: string, name: string, number: string): Promise<string> => {
    const answer = await call('POST', '/session/station', SignedInAnswer, {
      code,
      name,
      device: deviceId(),
      ...(number === '' ? {} : { number }),
    })
    enter(answer)
    return answer.account.station?.occasionId ?? ''
  }

  const signOut = async (): Promise<void> => {
    await tell('DELETE', '/session')
    await end()
  }

  /** The session is over: what it let somebody see goes from the device; captures that wait to be sent stay. */
  const end = async (): Promise<void> => {
    account.value = null
    asks.value = ASKS_NOTHING
    lastAccount.value = null
    span.clear()
    await forgetKeptDays()
  }

  /** The server says that the session has ended; what is under way on this device is not cut off. */
  const ended = (): void => span.endSoon()

  /** Whether this person may do something, as far as the role goes; the server asks the same. */
  const can = (action: Action): boolean => account.value !== null && may(account.value, action).ok

  return {
    account,
    asks,
    demo,
    known,
    isUnfounded,
    organisation,
    markSinceMs,
    publicAddress,
    standardsPublic,
    look,
    signIn,
    takeLink,
    found,
    joinStation,
    signOut,
    ended,
    captured: span.captured,
    can,
  }
})
