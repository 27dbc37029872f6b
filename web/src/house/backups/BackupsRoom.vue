<script setup lang="ts">
/** Backups: one now, sealed with a passphrase and saved on this device; how those that are made by themselves go. */
import { BackupsAnswer, SHORTEST_PASSPHRASE } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { call, inWords, receiveFile } from '../../api.ts'
import HouseBand from '../../ui/HouseBand.vue'
import { dateAndTime, today } from '../../ui/localTime.ts'
import { saveFile } from '../../ui/saveFile.ts'
import HouseTabs from '../HouseTabs.vue'
import RestoreBackup from './RestoreBackup.vue'

const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const state = shallowRef<BackupsAnswer | null>(null)
const passphrase = ref('')
const again = ref('')
const busy = ref(false)
const problem = ref('')
const done = ref('')

const look = async (): Promise<void> => {
  try {
    state.value = await call('GET', '/backups', BackupsAnswer)
  } catch (error) {
    problem.value = inWords(error)
  }
}
onMounted(look)

const fault = computed(() => {
  if (passphrase.value === '') return ''
  if (passphrase.value.length < SHORTEST_PASSPHRASE) return `At least ${SHORTEST_PASSPHRASE} characters.`
  return again.value !== '' && again.value !== passphrase.value ? 'The two are not the same.' : ''
})
const mayMake = computed(() => !busy.value && passphrase.value !== '' && fault.value === '' && again.value !== '')
const make = async (): Promise<void> => {
  busy.value = true
  problem.value = done.value = ''
  try {
    const file = await receiveFile('POST', '/backups', { passphrase: passphrase.value })
    saveFile(`able-gauge ${today()}.backup`, 'application/octet-stream', file)
    done.value = `Saved, ${(file.byteLength / 1_000_000).toFixed(1)} MB. Keep it elsewhere, and the passphrase apart from it.`
    passphrase.value = again.value = ''
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <HouseBand />
  <main class="room">
    <HouseTabs />
    <h1>Backups</h1>
    <p class="quiet">
      One file with everything: days, people, standards, accounts, rules. It opens with its passphrase alone, and is
      brought back here or on any machine, also with <code>npm run restore</code>.
    </p>
    <div v-if="state" class="columns">
      <section class="sheet part">
        <h2>A backup now</h2>
        <p v-if="!state.canBackUp" role="status">
          This server was not started by <code>npm start</code>, which makes the backups. Use
          <code>npm run backup</code> on the machine.
        </p>
        <form v-else @submit.prevent="make">
          <label for="passphrase">Passphrase</label>
          <BFormInput
            id="passphrase"
            v-model="passphrase"
            type="password"
            autocomplete="new-password"
            maxlength="200"
          />
          <label for="passphrase-again">The same again</label>
          <BFormInput
            id="passphrase-again"
            v-model="again"
            type="password"
            autocomplete="new-password"
            maxlength="200"
          />
          <p v-if="fault" class="problem" role="alert">{{ fault }}</p>
          <p class="quiet">Without it the backup is worth nothing: write it down, and keep it apart.</p>
          <BButton variant="primary" type="submit" :disabled="!mayMake">{{
            busy ? 'Making the backup …' : 'Make a backup'
          }}</BButton>
          <p v-if="done" role="status">{{ done }}</p>
        </form>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      </section>
      <section class="sheet part">
        <h2>By themselves</h2>
        <p v-if="!state.last">
          None are made. Started with <code>npm start -- --backup-to FOLDER</code> the program writes one there every
          ten minutes, to a stick for instance, and keeps the last twelve.
        </p>
        <p v-else-if="state.last.failure === null">
          The last was made {{ dateAndTime(state.last.atMs, zone) }}, in {{ state.last.folder }}.
        </p>
        <p v-else class="problem" role="alert">
          None could be made {{ dateAndTime(state.last.atMs, zone) }} in {{ state.last.folder }}:
          {{ state.last.failure }}
        </p>
      </section>
      <section v-if="state.canBackUp" class="sheet part">
        <h2>Put one back</h2>
        <p v-if="state.lastRestored?.failure === null" role="status">
          Put back {{ dateAndTime(state.lastRestored.atMs, zone) }}.
        </p>
        <p v-else-if="state.lastRestored" class="problem" role="alert">
          Not put back {{ dateAndTime(state.lastRestored.atMs, zone) }}: {{ state.lastRestored.failure }}
        </p>
        <RestoreBackup />
      </section>
    </div>
    <p v-else-if="problem" class="problem" role="alert">{{ problem }}</p>
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 16px;
  align-items: start;
}
form {
  display: grid;
  gap: 6px;
  justify-items: start;
}
label {
  font-weight: 650;
  margin-top: 8px;
}
</style>
