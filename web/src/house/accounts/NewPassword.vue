<script setup lang="ts">
/** A password somebody chooses, typed twice. */
import { BFormInput } from 'bootstrap-vue-next'
import { ref } from 'vue'

const password = defineModel<string>({ required: true })
const again = ref('')

/** What is wrong before anybody else has to be asked; empty when nothing is. */
const problem = (): string => (again.value === password.value ? '' : 'The two passwords are not the same.')
const clear = (): void => {
  password.value = ''
  again.value = ''
}
defineExpose({ problem, clear })
</script>

<template>
  <label for="new-password">New password</label>
  <BFormInput id="new-password" v-model="password" type="password" autocomplete="new-password" required />
  <small class="quiet">Four unrelated words are easy to keep and hard to guess.</small>
  <label for="new-password-again">The same again</label>
  <BFormInput id="new-password-again" v-model="again" type="password" autocomplete="new-password" required />
</template>

<style scoped>
label {
  font-weight: 650;
  margin-top: 10px;
}
</style>
