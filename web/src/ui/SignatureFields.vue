<script setup lang="ts">
/** The password as signature and, where the house asks for it, a code of the authenticator. */
import { BFormInput } from 'bootstrap-vue-next'
import { useId } from 'vue'
import { useSession } from '../session/sessionStore.ts'
import type { TypedSignature } from './useSignature.ts'

defineProps<{ label?: string }>()
const typed = defineModel<TypedSignature>({ required: true })

const { asks } = useSession()
const id = useId()
</script>

<template>
  <div class="signature">
    <label :for="`${id}-password`">{{ label ?? 'Your password' }}</label>
    <BFormInput
      :id="`${id}-password`"
      v-model="typed.password"
      type="password"
      autocomplete="current-password"
      required
    />
    <template v-if="asks.codeToSign">
      <label :for="`${id}-code`">Code of your authenticator</label>
      <BFormInput
        :id="`${id}-code`"
        v-model="typed.code"
        class="figures"
        inputmode="numeric"
        autocomplete="one-time-code"
        maxlength="40"
        required
      />
    </template>
  </div>
</template>

<style scoped>
.signature {
  display: grid;
  width: 100%;
  gap: 6px;
}
</style>
