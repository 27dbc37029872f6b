<script setup lang="ts">
/** One account: name and role, where it is signed in, a new link, closing. */
import { AccountLinkAnswer, ROLES, SessionsAnswer, type KeptAccount, type OpenSession } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect, BModal } from 'bootstrap-vue-next'
import { reactive, shallowRef, watch } from 'vue'
import { call, tell } from '../../api.ts'
import { useAsking } from '../../ui/useAsking.ts'
import { ROLE_NAMES } from '../../session/sessionStore.ts'
import UnitSelect from '../../ui/UnitSelect.vue'
import { ROLE_WORK, unitOf } from './roleWork.ts'
import SessionList from './SessionList.vue'

const props = defineProps<{ account: KeptAccount | null }>()
const emit = defineEmits<{
  close: []
  /** Something of it is another now. */
  changed: []
  linkMade: [link: AccountLinkAnswer, name: string]
}>()

const draft = reactive<Pick<KeptAccount, 'displayName' | 'role'> & { unitId: string }>({
  displayName: '',
  role: 'viewer',
  unitId: '',
})
const sessions = shallowRef<readonly OpenSession[]>([])
const { busy, problem, asking: doing } = useAsking()
const path = (): string => `/kept-accounts/${props.account?.id ?? ''}`

const lookAtSessions = (): Promise<void> =>
  doing(async () => {
    sessions.value = (await call('GET', `${path()}/sessions`, SessionsAnswer)).sessions
  })
watch(
  () => props.account,
  (account) => {
    if (!account) return
    Object.assign(draft, { displayName: account.displayName, role: account.role, unitId: account.unitId ?? '' })
    void lookAtSessions()
  },
)
const save = (): Promise<void> =>
  doing(async () => {
    const { displayName, role, unitId } = draft
    await tell('PATCH', path(), { displayName: displayName.trim(), role, ...unitOf(role, unitId) })
    emit('changed')
    emit('close')
  })
const setClosed = (closed: boolean): Promise<void> =>
  doing(async () => {
    await tell('PUT', `${path()}/closed`, { closed })
    emit('changed')
    emit('close')
  })
const makeLink = (): Promise<void> =>
  doing(async () => {
    const link = await call('POST', `${path()}/link`, AccountLinkAnswer)
    emit('linkMade', link, props.account?.displayName ?? '')
    emit('close')
  })
const takeFactorOff = (): Promise<void> =>
  doing(async () => {
    await tell('DELETE', `${path()}/second-factor`)
    emit('changed')
    emit('close')
  })
const signOutEverywhere = async (): Promise<void> => {
  await doing(() => tell('DELETE', `${path()}/sessions`))
  if (problem.value === '') await lookAtSessions()
}
</script>

<template>
  <BModal
    :model-value="account !== null"
    :title="account?.displayName ?? ''"
    ok-title="Save"
    cancel-title="Leave it"
    :ok-disabled="busy"
    @ok.prevent="save"
    @hidden="emit('close')"
  >
    <form v-if="account" class="form" @submit.prevent="save">
      <p class="quiet">
        Signs in as <span class="figures">{{ account.signInName }}</span
        >{{ account.personNumber ? `, is number ${account.personNumber} on record` : '' }}.
      </p>
      <label for="account-name">Name</label>
      <BFormInput id="account-name" v-model="draft.displayName" maxlength="120" required />
      <label for="account-role">Role</label>
      <BFormSelect
        id="account-role"
        v-model="draft.role"
        :options="ROLES.map((value) => ({ value, text: ROLE_NAMES[value] }))"
      />
      <p class="quiet">{{ ROLE_WORK[draft.role] }}</p>
      <UnitSelect
        v-if="draft.role !== 'administrator'"
        id="account-unit"
        v-model="draft.unitId"
        label="Belongs to"
        none="the whole organisation"
      />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <template v-if="account.state === 'open'">
        <h3>Signed in</h3>
        <SessionList :sessions="sessions" :may-end="false" />
      </template>
      <div class="deeds">
        <BButton
          v-if="account.state === 'open' && sessions.some(({ isThis }) => !isThis)"
          variant="quiet"
          @click="signOutEverywhere"
          >Sign out everywhere</BButton
        >
        <BButton v-if="account.hasSecondFactor" variant="quiet" :disabled="busy" @click="takeFactorOff"
          >Take a lost authenticator off</BButton
        >
        <BButton v-if="account.state !== 'closed'" variant="quiet" :disabled="busy" @click="makeLink">{{
          account.state === 'invited' ? 'Invite once more' : 'New password by link'
        }}</BButton>
        <BButton v-if="account.state === 'closed'" variant="quiet" :disabled="busy" @click="setClosed(false)"
          >Open it again</BButton
        >
        <BButton v-else variant="outline-danger" :disabled="busy" @click="setClosed(true)">Close the account</BButton>
      </div>
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
}
h3 {
  font-size: 1rem;
  margin: 10px 0 0;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}
</style>
