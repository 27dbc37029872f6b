/** The address by which other devices reach this house: where the program serves a field, the machine's own, else this page's. */
import { FieldReachAnswer, type FieldReach } from '@able-gauge/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { call, NoAnswer } from '../api.ts'

const ALONE = /^(localhost|127\.|\[::1\])/

export const useReach = () => {
  const field = shallowRef<FieldReach | null>(null)
  /** Whether it was asked and answered. */
  const known = ref(false)
  onMounted(async () => {
    try {
      field.value = (await call('GET', '/session/field', FieldReachAnswer)).field
      known.value = true
    } catch (error) {
      if (!(error instanceof NoAnswer)) throw error
    }
  })
  /** The host this page was opened by, if others can reach it; else the first address of the machine. */
  const host = computed(() =>
    ALONE.test(location.host) ? (field.value?.addresses[0] ?? location.hostname) : location.hostname,
  )
  /** @param path from the root, with its hash */
  const plain = (path: string): string =>
    field.value ? `http://${host.value}:${field.value.httpPort}${path}` : `${location.origin}${path}`
  const secure = (path: string): string =>
    field.value ? `https://${host.value}:${field.value.httpsPort}${path}` : `${location.origin}${path}`
  /** Whether nobody but this machine can follow such an address. */
  const isAlone = computed(() => known.value && field.value === null && ALONE.test(location.host))
  return { field, plain, secure, isAlone }
}

export type Reach = ReturnType<typeof useReach>
