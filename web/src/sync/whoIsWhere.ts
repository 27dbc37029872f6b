/** Who is where: whom this device has open, told to the server as long as it is, and whom the others have. */
import { type Claim, type ClaimBody, ClaimsAnswer, RENEW_CLAIM_MS } from '@able-gauge/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { call, NoAnswer, Refusal } from '../api.ts'
import { deviceId } from './outbox.ts'

/** A change of candidate closes one console and opens the next: what is told is where it ends. */
const TELL_AFTER_MS = 30

export const useWhoIsWhere = defineStore('whoIsWhere', () => {
  /** As the server last told; without a network what it told before. */
  const claims = shallowRef<readonly Claim[]>([])
  let occasionId: string | null = null
  let own: ClaimBody | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  const tellSoon = (afterMs: number): void => {
    clearTimeout(timer)
    timer = setTimeout(() => void say(), afterMs)
  }
  const say = async (): Promise<void> => {
    const [id, told] = [occasionId, own]
    if (!id || !told) return
    try {
      const path = `/occasions/${id}/devices/${encodeURIComponent(deviceId())}/claims`
      const answer = await call('PUT', path, ClaimsAnswer, told)
      // whoever has moved on meanwhile is told about in the next word
      if (own === told) claims.value = answer.claims
    } catch (error) {
      // without an answer both go on; whoever started earlier holds
      if (!(error instanceof NoAnswer) && !(error instanceof Refusal)) throw error
    }
    if (own === told && told.entryIds.length > 0) tellSoon(RENEW_CLAIM_MS)
    else if (own === told) own = null
  }

  /** @param wanted whom this device has open from now on */
  const have = (dayId: string, wanted: ClaimBody): void => {
    occasionId = dayId
    own = wanted
    tellSoon(TELL_AFTER_MS)
  }
  const close = (): void => {
    if (own) have(occasionId ?? '', { ...own, entryIds: [] })
  }
  // a page that is closed has nobody open any more; the browser sends this on its way out
  window.addEventListener('pagehide', () => {
    if (!occasionId || !own) return
    const address = `/api/occasions/${occasionId}/devices/${encodeURIComponent(deviceId())}/claims`
    const body = JSON.stringify({ ...own, entryIds: [] })
    void fetch(address, { method: 'PUT', keepalive: true, headers: { 'Content-Type': 'application/json' }, body })
  })

  const told = (all: readonly Claim[]): void => {
    claims.value = all
  }
  return { claims, have, close, told }
})
