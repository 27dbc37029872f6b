<script setup lang="ts">
/** The first page of an empty house: what it is called, and who looks after it. */
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { reactive, ref, toRefs, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { inWords } from '../../api.ts'
import { useSession } from '../../session/sessionStore.ts'
import DoorFrame from './DoorFrame.vue'
import NewPassword from './NewPassword.vue'
import { followName } from './signInName.ts'

const session = useSession()
const router = useRouter()
const form = reactive({
  code: useRoute().hash.slice(1),
  organisation: '',
  displayName: '',
  signInName: '',
  password: '',
})
const { displayName, signInName } = toRefs(form)
followName(displayName, signInName)
const problem = ref('')
const busy = ref(false)
const field = useTemplateRef('field')

const found = async (): Promise<void> => {
  problem.value = field.value?.problem() ?? ''
  if (problem.value !== '') return
  busy.value = true
  try {
    await session.found({ ...form })
    await router.replace({ name: 'accounts' })
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DoorFrame title="Set this house up">
    <p>
      Nobody looks after this installation yet. Whoever does lets everybody else in: officers, graders, timers, clerks
      and the records office.
    </p>
    <form @submit.prevent="found">
      <label for="code">Code from the terminal</label>
      <BFormInput id="code" v-model="form.code" class="figures" autocomplete="off" spellcheck="false" required />
      <small class="quiet">It stands where the program was started, and is used once.</small>
      <label for="organisation">What the organisation is called</label>
      <BFormInput id="organisation" v-model="form.organisation" maxlength="120" autocomplete="organization" required />
      <label for="display">Your name</label>
      <BFormInput id="display" v-model="form.displayName" maxlength="120" autocomplete="name" required />
      <label for="sign-in">Sign-in name</label>
      <BFormInput
        id="sign-in"
        v-model="form.signInName"
        maxlength="80"
        autocomplete="username"
        autocapitalize="none"
        spellcheck="false"
        required
      />
      <NewPassword ref="field" v-model="form.password" />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <BButton type="submit" variant="primary" size="lg" :disabled="busy">Set it up</BButton>
    </form>
  </DoorFrame>
</template>
