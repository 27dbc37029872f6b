<script setup lang="ts">
/** A day's archive put back: with the password of whoever does it, and refused at whatever is not what it was. */
import { MadeAnswer } from '@able-gauge/core'
import { BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { call, inWords } from '../api.ts'
import SignatureFields from '../ui/SignatureFields.vue'
import { useSignature } from '../ui/useSignature.ts'

/** The file that was chosen; null closes the dialog. */
const file = defineModel<File | null>({ required: true })

const router = useRouter()
const { typed, isTyped, body, clear } = useSignature()
const problem = ref('')
const busy = ref(false)
const open = computed({ get: () => file.value !== null, set: (is) => !is && (file.value = null) })
watch(file, () => {
  problem.value = ''
  clear()
})

const readIn = async (): Promise<void> => {
  const { value } = file
  if (!value) return
  busy.value = true
  problem.value = ''
  try {
    const archive: unknown = JSON.parse(await value.text())
    const { id } = await call('POST', '/archives', MadeAnswer, { ...body(), archive })
    file.value = null
    await router.push({ name: 'verdicts', params: { dayId: id } })
  } catch (error) {
    problem.value = error instanceof SyntaxError ? `${value.name} is not JSON: ${error.message}` : inWords(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <BModal
    v-model="open"
    title="Read in an archive"
    ok-title="Read it in"
    cancel-title="Back"
    cancel-variant="quiet"
    :ok-disabled="!isTyped || busy"
    @ok.prevent="readIn"
  >
    <p>
      {{ file?.name }} becomes a day here, shown as read in by you. Its signature is compared with the keys that are
      known; by any other key it stays <em>not proven</em>.
    </p>
    <form @submit.prevent="readIn">
      <SignatureFields v-model="typed" />
    </form>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </BModal>
</template>
