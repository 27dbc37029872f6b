<script setup lang="ts">
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { inWords, Refusal } from '../api.ts'
import BrandMark from '../ui/BrandMark.vue'
import HouseMarkImage from '../ui/HouseMarkImage.vue'
import { vFocus } from '../ui/vFocus.ts'
import { ROLE_NAMES, useSession } from './sessionStore.ts'

const session = useSession()
const route = useRoute()
const router = useRouter()
const name = ref('')
const password = ref('')
/** Whether name and password were right, and a code of the authenticator is asked for. */
const codeAsked = ref(false)
const factorCode = ref('')
const problem = ref('')
const busy = ref(false)

const signIn = async (): Promise<void> => {
  busy.value = true
  problem.value = ''
  try {
    await session.signIn(name.value, password.value, codeAsked.value ? factorCode.value.trim() : '')
    const to = route.query['to']
    await router.push(typeof to === 'string' && to.startsWith('/') && !to.startsWith('//') ? to : '/')
  } catch (error) {
    const asksNow = error instanceof Refusal && error.code === 'signIn.codeNeeded'
    if (asksNow) codeAsked.value = true
    else problem.value = inWords(error)
    factorCode.value = ''
  } finally {
    busy.value = false
  }
}

/** Scanned from a station's card: the code stands behind the #. */
const scanned = route.hash.slice(1)
const code = ref(scanned)
const who = ref('')
/** For whoever is tested as well: nobody works their own wave. */
const number = ref('')
const joinProblem = ref('')
const join = async (): Promise<void> => {
  busy.value = true
  joinProblem.value = ''
  try {
    const dayId = await session.joinStation(code.value.trim(), who.value.trim(), number.value.trim())
    await router.push({ name: 'run', params: { dayId } })
  } catch (error) {
    joinProblem.value = inWords(error)
  } finally {
    busy.value = false
  }
}

const signInAs = async (signInName: string): Promise<void> => {
  name.value = signInName
  password.value = session.demo?.password ?? ''
  await signIn()
}
</script>

<template>
  <header class="band">
    <div class="inner">
      <BrandMark /><strong>Able Gauge</strong>
      <HouseMarkImage :height="34" />
      <span class="says">{{ session.organisation || 'Test days, from muster to signed verdicts' }}</span>
    </div>
    <div class="ruler" aria-hidden="true" />
  </header>
  <main class="room">
    <div class="columns">
      <div class="stack" :class="{ wide: !session.demo }">
        <form class="sheet card-pad" @submit.prevent="signIn">
          <h1>Sign in</h1>
          <p v-if="session.isUnfounded">
            Nobody looks after this house yet.
            <RouterLink :to="{ name: 'found' }">Set it up</RouterLink> with the code from the terminal.
          </p>
          <p v-else-if="!session.demo" class="quiet">
            Without an account, ask whoever looks after this house for a link.
          </p>
          <label for="name">Name</label>
          <BFormInput
            id="name"
            v-model="name"
            autocomplete="username"
            autocapitalize="none"
            spellcheck="false"
            required
            :autofocus="scanned === ''"
          />
          <label for="password">Password</label>
          <BFormInput id="password" v-model="password" type="password" autocomplete="current-password" required />
          <template v-if="codeAsked">
            <label for="factor">Code of your authenticator, or a recovery code</label>
            <BFormInput
              id="factor"
              v-model="factorCode"
              v-focus
              class="figures code"
              autocomplete="one-time-code"
              maxlength="40"
              required
            />
          </template>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
          <BButton type="submit" variant="primary" size="lg" :disabled="busy">Sign in</BButton>
        </form>
        <form class="sheet card-pad" :class="{ first: scanned !== '' }" @submit.prevent="join">
          <h2>Join a station</h2>
          <p class="quiet">With the code the officer in charge gave you. No account is needed.</p>
          <label for="code">Station code</label>
          <BFormInput
            id="code"
            v-model="code"
            class="figures code"
            maxlength="12"
            autocapitalize="characters"
            autocomplete="off"
            spellcheck="false"
            required
          />
          <label for="who">Your name</label>
          <BFormInput id="who" v-model="who" maxlength="80" autocomplete="name" required :autofocus="scanned !== ''" />
          <label for="own-number">Your number, if you are tested on this day as well</label>
          <BFormInput id="own-number" v-model="number" maxlength="40" autocomplete="off" />
          <p v-if="joinProblem" class="problem" role="alert">{{ joinProblem }}</p>
          <BButton type="submit" :variant="scanned === '' ? 'quiet' : 'primary'" :disabled="busy"
            >Join the station</BButton
          >
        </form>
      </div>
      <section v-if="session.demo" class="sheet card-pad">
        <h2>The demo: the Tarn Isles</h2>
        <p class="quiet">An invented territory with made-up people. Choose whom to be; all share one password.</p>
        <ul class="people">
          <li v-for="person in session.demo.accounts" :key="person.signInName">
            <button type="button" class="person" :disabled="busy" @click="signInAs(person.signInName)">
              <strong>{{ person.displayName }}</strong>
              <span>{{ ROLE_NAMES[person.role] }}<template v-if="person.unit">, {{ person.unit }}</template></span>
            </button>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
.band {
  background: var(--bar);
  color: var(--bar-ink);
}
.inner {
  max-width: 1000px;
  margin: 0 auto;
  padding: 20px;
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 1.125rem;
}
.says {
  font-size: 0.9375rem;
  color: var(--bar-ink-2);
  margin-left: 12px;
}
.ruler {
  height: 14px;
  background: repeating-linear-gradient(to right, var(--vest-ink) 0 1px, transparent 1px 13px) var(--vest);
}
.room {
  max-width: 1000px;
  padding-top: 56px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 20px;
  align-items: start;
}
.stack {
  display: grid;
  gap: 20px;
  align-items: start;
}
.first {
  order: -1;
}
.stack.wide {
  grid-column: 1 / -1;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
}
.code {
  font-size: 1.25rem;
  letter-spacing: 0.1em;
  text-transform: uppercase;
}
.card-pad {
  padding: 24px;
}
form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 650;
  margin-top: 10px;
}
form button {
  margin-top: 18px;
}
.people {
  list-style: none;
  margin: 12px 0 0;
  padding: 0;
}
.person {
  width: 100%;
  min-height: 48px;
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  background: none;
  color: inherit;
  border: 0;
  border-top: 1px solid var(--line);
  text-align: left;
}
.person:hover {
  background: var(--tint);
}
.person span {
  color: var(--ink-2);
}
@media (max-width: 800px) {
  .room {
    padding-top: 20px;
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .says {
    display: none;
  }
}
</style>
