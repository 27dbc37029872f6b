<script setup lang="ts">
/** Somebody new: name, sign-in name, role. The answer is a link for them. */
import { AccountLinkAnswer, ROLES, type Role } from '@able-gauge/core'
import { BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { ref, watch } from 'vue'
import { call, inWords } from '../../api.ts'
import UnitSelect from '../../ui/UnitSelect.vue'
import { ROLE_NAMES } from '../../session/sessionStore.ts'
import { ROLE_WORK, unitOf } from './roleWork.ts'
import { followName } from './signInName.ts'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ invited: [link: AccountLinkAnswer, name: string] }>()

const displayName = ref('')
const signInName = ref('')
followName(displayName, signInName)
const role = ref<Role>('grader')
const unitId = ref('')
const problem = ref('')
const busy = ref(false)
watch(open, () => {
  displayName.value = ''
  signInName.value = ''
  problem.value = ''
})

const invite = async (): Promise<void> => {
  busy.value = true
  problem.value = ''
  try {
    const body = {
      displayName: displayName.value.trim(),
      signInName: signInName.value.trim(),
      role: role.value,
      ...unitOf(role.value, unitId.value),
    }
    const link = await call('POST', '/kept-accounts', AccountLinkAnswer, body)
    open.value = false
    emit('invited', link, body.displayName)
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <BModal
    v-model="open"
    title="Let somebody in"
    ok-title="Make the link"
    cancel-title="Leave it"
    :ok-disabled="busy || displayName.trim() === '' || signInName.trim() === ''"
    @ok.prevent="invite"
  >
    <form class="form" @submit.prevent="invite">
      <label for="display">Name</label>
      <BFormInput id="display" v-model="displayName" maxlength="120" autocomplete="off" autofocus />
      <label for="sign-in">Sign-in name</label>
      <BFormInput
        id="sign-in"
        v-model="signInName"
        maxlength="80"
        autocomplete="off"
        autocapitalize="none"
        spellcheck="false"
      />
      <label for="role">Role</label>
      <BFormSelect id="role" v-model="role" :options="ROLES.map((value) => ({ value, text: ROLE_NAMES[value] }))" />
      <p class="quiet">{{ ROLE_WORK[role] }}</p>
      <UnitSelect
        v-if="role !== 'administrator'"
        id="unit"
        v-model="unitId"
        label="Belongs to"
        none="the whole organisation"
      />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </form>
  </BModal>
</template>

<style scoped>
.form {
  display: grid;
  gap: 6px;
}
label {
  font-weight: 650;
  margin-top: 8px;
}
</style>
