<script setup lang="ts">
/** The own account: who one is here, the own password, and where one is signed in. */
import { SessionsAnswer, type OpenSession } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { call, inWords, tell } from '../../api.ts'
import { ROLE_NAMES, useSession } from '../../session/sessionStore.ts'
import { useDone } from '../../ui/done.ts'
import HouseBand from '../../ui/HouseBand.vue'
import OwnFactor from './OwnFactor.vue'
import NewPassword from './NewPassword.vue'
import { ROLE_WORK } from './roleWork.ts'
import SessionList from './SessionList.vue'

const session = useSession()
const sessions = shallowRef<readonly OpenSession[]>([])
const current = ref('')
const password = ref('')
const problem = ref('')
const sessionsProblem = ref('')
const done = useDone()
const busy = ref(false)
const field = useTemplateRef('field')

const look = async (): Promise<void> => {
  try {
    sessions.value = (await call('GET', '/own-account/sessions', SessionsAnswer)).sessions
    sessionsProblem.value = ''
  } catch (error) {
    sessionsProblem.value = inWords(error)
  }
}
onMounted(look)

const change = async (): Promise<void> => {
  problem.value = field.value?.problem() ?? ''
  if (problem.value !== '') return
  busy.value = true
  try {
    await tell('PUT', '/own-account/password', { current: current.value, password: password.value })
    current.value = ''
    field.value?.clear()
    done.tell('The password is changed. Every other device is signed out.')
    await look()
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
const end = async (which: string): Promise<void> => {
  try {
    await tell('DELETE', `/own-account/sessions/${which}`)
    await look()
  } catch (error) {
    sessionsProblem.value = inWords(error)
  }
}
</script>

<template>
  <HouseBand />
  <main class="room">
    <h1>{{ session.account?.displayName }}</h1>
    <p v-if="session.account" class="role">
      <strong>{{ ROLE_NAMES[session.account.role] }}.</strong> {{ ROLE_WORK[session.account.role] }}
    </p>
    <div class="columns">
      <form class="sheet part" @submit.prevent="change">
        <h2>Password</h2>
        <label for="current">The one that holds now</label>
        <BFormInput id="current" v-model="current" type="password" autocomplete="current-password" required />
        <NewPassword ref="field" v-model="password" />
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <BButton type="submit" variant="primary" :disabled="busy">Change it</BButton>
      </form>
      <OwnFactor />
      <section class="sheet part">
        <h2>Where you are signed in</h2>
        <SessionList :sessions="sessions" may-end @end="end" />
        <p v-if="sessionsProblem" class="problem" role="alert">{{ sessionsProblem }}</p>
        <BButton v-if="sessions.length > 1" variant="quiet" @click="end('others')">Sign out everywhere else</BButton>
      </section>
    </div>
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 16px;
  align-items: start;
}
.part {
  padding: 18px 20px;
}
form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 650;
}
h2 {
  margin-bottom: 8px;
}
.role::first-letter {
  text-transform: uppercase;
}
form .btn,
section > .btn {
  margin-top: 14px;
}
</style>
