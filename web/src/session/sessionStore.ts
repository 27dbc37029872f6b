import { defineStore } from 'pinia'
import { ref } from 'vue'
import { StorageSerializers, useLocalStorage } from '@vueuse/core'
import { call, NoAnswer } from '../api.ts'
import { forgetKeptDays } from '../sync/keptDays.ts'

export type Role = 'officer' | 'grader' | 'timer' | 'clerk' | 'viewer'

export interface Account {
  readonly id: string
  readonly signInName: string
  readonly displayName: string
  readonly role: Role
  /** Joined with a station code: works these events of this day alone. */
  readonly station?: { readonly occasionId: string; readonly eventIds: readonly string[] }
}

/** The made-up people one can be in the demo. */
export interface DemoSignIns {
  readonly password: string
  readonly accounts: readonly Omit<Account, 'id'>[]
}

export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  officer: 'officer in charge',
  grader: 'grader',
  timer: 'timer',
  clerk: 'check-in clerk',
  viewer: 'records office, read only',
}

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const account = ref<Account | null>(null)
  const demo = ref<DemoSignIns | null>(null)
  const known = ref(false)

  /** Who was signed in here last, for when there is no network to ask. It opens nothing on the server. */
  const lastAccount = useLocalStorage<Account | null>('able-gauge-account', null, {
    serializer: StorageSerializers.object,
  })

  const look = async (): Promise<void> => {
    try {
      const answer = await call<{ account: Account | null; demo: DemoSignIns | null }>('GET', '/session')
      account.value = answer.account
      demo.value = answer.demo
      if (answer.account) lastAccount.value = answer.account
    } catch (error) {
      if (!(error instanceof NoAnswer) || !lastAccount.value) throw error
      account.value = lastAccount.value
    }
    known.value = true
  }

  const signIn = async (signInName: string, password: string): Promise<void> => {
    const answer = await call<{ account: Account }>('POST', '/session', { signInName, password })
    account.value = answer.account
    lastAccount.value = answer.account
  }

  /** Joins a station with its short code. @returns the day it belongs to */
  const joinStation = async (code: string, name: string): Promise<string> => {
    const answer = await call<{ account: Account }>('POST', '/session/station', { code, name })
    account.value = answer.account
    lastAccount.value = answer.account
    return answer.account.station?.occasionId ?? ''
  }

  const signOut = async (): Promise<void> => {
    await call('DELETE', '/session')
    account.value = null
    lastAccount.value = null
    await forgetKeptDays()
  }

  const may = (...roles: readonly Role[]): boolean => account.value !== null && roles.includes(account.value.role)

  return { account, demo, known, look, signIn, joinStation, signOut, may }
})
