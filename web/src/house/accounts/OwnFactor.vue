<script setup lang="ts">
/** The authenticator of the own account: set up with a QR code and a first code, its recovery codes shown once, given up with a last one. */
import { NewFactorAnswer, OwnFactorAnswer, RecoveryCodesAnswer } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { onMounted, ref, shallowRef } from 'vue'
import { call, tell } from '../../api.ts'
import { useSession } from '../../session/sessionStore.ts'
import QrCode from '../../ui/QrCode.vue'
import { saveFile } from '../../ui/saveFile.ts'
import { useAsking } from '../../ui/useAsking.ts'

const PATH = '/own-account/second-factor'
const session = useSession()
const factor = shallowRef<OwnFactorAnswer | null>(null)
const begun = shallowRef<NewFactorAnswer | null>(null)
const recovery = shallowRef<readonly string[]>([])
const password = ref('')
const code = ref('')
const { busy, problem, asking } = useAsking()

const look = (): Promise<void> =>
  asking(async () => {
    factor.value = await call('GET', PATH, OwnFactorAnswer)
  })
onMounted(look)

const begin = (): Promise<void> =>
  asking(async () => {
    begun.value = await call('POST', PATH, NewFactorAnswer, { password: password.value })
    password.value = ''
  })
const confirm = (): Promise<void> =>
  asking(async () => {
    const { codes } = await call('PUT', PATH, RecoveryCodesAnswer, { code: code.value })
    recovery.value = codes
    factor.value = { isOn: true, recoveryLeft: codes.length }
    session.asks = { ...session.asks, secondFactor: false }
    begun.value = null
    code.value = ''
  })
const giveUp = (): Promise<void> =>
  asking(async () => {
    await tell('POST', `${PATH}/end`, { code: code.value })
    factor.value = { isOn: false, recoveryLeft: 0 }
    recovery.value = []
    code.value = ''
    // whether the house lets them go on without one, the server says
    await session.look()
  })
const keepCodes = (): void => saveFile('recovery-codes.txt', 'text/plain', `${recovery.value.join('\n')}\n`)
</script>

<template>
  <section class="sheet part" aria-labelledby="factor-title">
    <h2 id="factor-title">Authenticator</h2>
    <p v-if="session.asks.secondFactor" class="asked" role="alert">
      The house asks administrators for a code beside the password. Set an authenticator up to go on.
    </p>
    <template v-if="recovery.length > 0">
      <p>
        It is on. Keep these codes on paper, away from the phone: each lets you in once on the day the authenticator is
        lost. They are shown now and never again.
      </p>
      <ul class="codes figures">
        <li v-for="one in recovery" :key="one">{{ one }}</li>
      </ul>
      <div class="deeds">
        <BButton variant="quiet" @click="keepCodes">Save them as a file</BButton>
        <BButton variant="primary" @click="recovery = []">I have them</BButton>
      </div>
    </template>
    <form v-else-if="factor?.isOn" @submit.prevent="giveUp">
      <p>
        It is on: signing in takes a code beside the password. {{ factor.recoveryLeft }} of the recovery codes
        {{ factor.recoveryLeft === 1 ? 'is' : 'are' }} left.
      </p>
      <label for="factor-last">To give it up, or change to another phone: a code</label>
      <BFormInput
        id="factor-last"
        v-model="code"
        class="figures short"
        autocomplete="one-time-code"
        maxlength="40"
        required
      />
      <BButton type="submit" variant="quiet" :disabled="busy">Give it up</BButton>
    </form>
    <form v-else-if="begun" @submit.prevent="confirm">
      <p>Scan this with an authenticator app, then type the six digits it shows.</p>
      <div class="scan">
        <QrCode :text="begun.uri" label="Sets your authenticator up" />
        <p class="quiet">
          Or type it: <span class="figures secret">{{ begun.secret.replace(/(.{4})(?=.)/g, '$1 ') }}</span>
        </p>
      </div>
      <label for="factor-first">The six digits it shows</label>
      <BFormInput
        id="factor-first"
        v-model="code"
        class="figures short"
        inputmode="numeric"
        autocomplete="one-time-code"
        maxlength="10"
        required
      />
      <BButton type="submit" variant="primary" :disabled="busy">Switch it on</BButton>
    </form>
    <form v-else-if="factor" @submit.prevent="begin">
      <p>
        A code that changes every half minute, from an app on your phone, beside the password. No network is needed for
        it.
      </p>
      <label for="factor-password">Your password</label>
      <BFormInput
        id="factor-password"
        v-model="password"
        type="password"
        autocomplete="current-password"
        maxlength="200"
        required
      />
      <BButton type="submit" :variant="session.asks.secondFactor ? 'primary' : 'quiet'" :disabled="busy"
        >Set it up</BButton
      >
    </form>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
}
form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 650;
}
.asked {
  padding: 8px 12px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.scan {
  display: grid;
  grid-template-columns: minmax(120px, 180px) 1fr;
  gap: 14px;
  align-items: center;
}
.secret {
  display: block;
  overflow-wrap: anywhere;
  user-select: all;
}
.short {
  max-width: 200px;
}
.codes {
  columns: 2;
  list-style: none;
  padding: 0;
  font-size: 1.125rem;
}
.deeds,
form .btn {
  margin-top: 10px;
}
.deeds {
  display: flex;
  gap: 8px;
}
</style>
