<script setup lang="ts">
/** A backup put in place of the whole house: sent in parts, looked at from end to end, signed for; then the program starts anew. */
import { MadeAnswer, RestoringAnswer, SessionAnswer } from '@able-gauge/core'
import { BButton, BFormCheckbox, BFormFile, BFormInput, BProgress } from 'bootstrap-vue-next'
import { computed, ref, shallowRef } from 'vue'
import { call, inWords, NoAnswer, tell } from '../../api.ts'
import { base64Of } from '../../ui/base64.ts'
import SignatureFields from '../../ui/SignatureFields.vue'
import { useSignature } from '../../ui/useSignature.ts'

const PART_BYTES = 600_000
const ASK_EVERY_MS = 1_000

const { typed, isTyped, body, clear } = useSignature()
const file = shallowRef<File | null>(null)
const passphrase = ref('')
const understood = ref(false)
/** From 0 to 1 while the file is sent; null otherwise. */
const sent = ref<number | null>(null)
const busy = ref(false)
const problem = ref('')
const holds = shallowRef<RestoringAnswer | null>(null)
const mayStart = computed(
  () => !busy.value && file.value !== null && passphrase.value !== '' && understood.value && isTyped.value,
)

const send = async (whole: File): Promise<string> => {
  const { id } = await call('POST', '/restores', MadeAnswer)
  for (let offset = 0; offset < whole.size; offset += PART_BYTES) {
    const part = base64Of(new Uint8Array(await whole.slice(offset, offset + PART_BYTES).arrayBuffer()))
    await tell('PUT', `/restores/${id}/part`, { offset, part })
    sent.value = Math.min(1, (offset + PART_BYTES) / whole.size)
  }
  return id
}
/** The server goes, and comes back on what the backup holds; everybody is signed out then. */
const untilBack = async (): Promise<void> => {
  for (;;) {
    await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS))
    try {
      const { account } = await call('GET', '/session', SessionAnswer)
      if (account === null) return
    } catch (error) {
      if (!(error instanceof NoAnswer)) throw error
    }
  }
}
const restore = async (): Promise<void> => {
  if (!file.value) return
  busy.value = true
  problem.value = ''
  try {
    const id = await send(file.value)
    const signed = { passphrase: passphrase.value, ...body() }
    holds.value = await call('POST', `/restores/${id}/start`, RestoringAnswer, signed)
    await untilBack()
    window.location.assign('/sign-in')
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    sent.value = null
    busy.value = false
    clear()
  }
}
</script>

<template>
  <form @submit.prevent="restore">
    <p v-if="holds" role="status">
      The backup is right: {{ holds.days }} days, {{ holds.people }} people, {{ holds.captures }} captures. The program
      starts anew with it; this page follows.
    </p>
    <template v-else>
      <label for="restore-file">Backup</label>
      <BFormFile id="restore-file" v-model="file" plain accept=".backup" />
      <label for="restore-passphrase">Its passphrase</label>
      <BFormInput
        id="restore-passphrase"
        v-model="passphrase"
        type="password"
        autocomplete="off"
        maxlength="200"
        required
      />
      <SignatureFields v-model="typed" label="Your password here, as signature" />
      <BFormCheckbox v-model="understood">
        Everything here is set aside, everybody is signed out, and one signs in with an account of the backup
      </BFormCheckbox>
      <BProgress v-if="sent !== null" :value="sent" :max="1" />
      <BButton variant="outline-danger" type="submit" :disabled="!mayStart">{{
        busy ? 'Sending and looking at it …' : 'Put it in place of this house'
      }}</BButton>
    </template>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 650;
  margin-top: 8px;
}
</style>
