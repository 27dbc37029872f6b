/** What a signature takes, as far as it is typed: the password and, where the house asks for it, a code of the authenticator. */
import type { SignatureBody } from '@able-gauge/core'
import { computed, reactive } from 'vue'
import { useSession } from '../session/sessionStore.ts'

export interface TypedSignature {
  password: string
  code: string
}

export const useSignature = () => {
  const session = useSession()
  const typed = reactive<TypedSignature>({ password: '', code: '' })
  const isTyped = computed(() => typed.password !== '' && (!session.asks.codeToSign || typed.code.trim() !== ''))
  const body = (): SignatureBody => ({
    password: typed.password,
    ...(session.asks.codeToSign ? { code: typed.code.trim() } : {}),
  })
  const clear = (): void => {
    typed.password = typed.code = ''
  }
  return { typed, isTyped, body, clear }
}
