<script setup lang="ts">
/** Where a link leads: whom it lets in, and the password they choose. The code stands behind the # and reaches no log. */
import { LinkHolderAnswer } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { call, inWords } from '../../api.ts'
import { ROLE_NAMES, useSession } from '../../session/sessionStore.ts'
import DoorFrame from './DoorFrame.vue'
import NewPassword from './NewPassword.vue'

const session = useSession()
const router = useRouter()
const code = useRoute().hash.slice(1)
const holder = shallowRef<LinkHolderAnswer | null>(null)
const password = ref('')
const factorCode = ref('')
const problem = ref('')
const busy = ref(false)
const field = useTemplateRef('field')

onMounted(async () => {
  try {
    holder.value = await call('POST', '/session/link/holder', LinkHolderAnswer, { code })
  } catch (error) {
    problem.value = inWords(error)
  }
})
const choose = async (): Promise<void> => {
  problem.value = field.value?.problem() ?? ''
  if (problem.value !== '') return
  busy.value = true
  try {
    await session.takeLink(code, password.value, factorCode.value.trim())
    await router.replace('/')
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DoorFrame :title="holder ? (holder.isNew ? `Welcome, ${holder.displayName}` : 'Choose a new password') : 'A link'">
    <form v-if="holder" @submit.prevent="choose">
      <p>
        You sign in as <strong class="figures">{{ holder.signInName }}</strong>, {{ ROLE_NAMES[holder.role] }}.
        <template v-if="!holder.isNew">Whoever is signed in with the old password is signed out.</template>
      </p>
      <input type="hidden" autocomplete="username" :value="holder.signInName" />
      <NewPassword ref="field" v-model="password" />
      <template v-if="holder.hasSecondFactor">
        <label for="factor">Code of your authenticator, or a recovery code</label>
        <BFormInput id="factor" v-model="factorCode" class="figures" autocomplete="one-time-code" required />
      </template>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <BButton type="submit" variant="primary" size="lg" :disabled="busy">Sign in with it</BButton>
    </form>
    <template v-else-if="problem">
      <p class="problem" role="alert">{{ problem }}</p>
      <RouterLink class="btn btn-quiet" :to="{ name: 'signIn' }">To the sign-in page</RouterLink>
    </template>
    <p v-else class="quiet">Looking whom it lets in …</p>
  </DoorFrame>
</template>
