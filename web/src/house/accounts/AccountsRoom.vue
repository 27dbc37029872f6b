<script setup lang="ts">
/** Everybody who was let in: who they are, what they do here, who is still on the way. */
import { KeptAccountsAnswer, type AccountLinkAnswer, type KeptAccount } from '@able-gauge/core'
import { BButton, BFormInput } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { call, inWords } from '../../api.ts'
import { ROLE_NAMES } from '../../session/sessionStore.ts'
import { useUnits } from '../../session/unitStore.ts'
import HouseBand from '../../ui/HouseBand.vue'
import AccountDialog from './AccountDialog.vue'
import AccountLink from './AccountLink.vue'
import InviteDialog from './InviteDialog.vue'

const STATES = { invited: 'invited, not here yet', open: '', closed: 'closed' } as const

const units = useUnits()
const accounts = shallowRef<readonly KeptAccount[] | null>(null)
const problem = ref('')
const search = ref('')
const inviting = ref(false)
const opened = shallowRef<KeptAccount | null>(null)
const link = shallowRef<AccountLinkAnswer | null>(null)
const linkName = ref('')

const look = async (): Promise<void> => {
  try {
    await units.read()
    accounts.value = (await call('GET', '/kept-accounts', KeptAccountsAnswer)).accounts
    problem.value = ''
  } catch (error) {
    problem.value = inWords(error)
  }
}
onMounted(look)

const shown = computed(() => {
  const wanted = search.value.trim().toLowerCase()
  return (accounts.value ?? []).filter(
    ({ displayName, signInName, role, unitId }) =>
      wanted === '' ||
      `${displayName} ${signInName} ${ROLE_NAMES[role]} ${units.pathOf(unitId)}`.toLowerCase().includes(wanted),
  )
})
/** Shown once the dialog that asked for it is gone: until then that one has the keys. */
let made: AccountLinkAnswer | null = null
const keepLink = async (answer: AccountLinkAnswer, name: string): Promise<void> => {
  made = answer
  linkName.value = name
  await look()
}
const showLink = (): void => {
  if (made) link.value = made
  made = null
}
</script>

<template>
  <HouseBand />
  <main class="room">
    <div class="head">
      <h1>Accounts</h1>
      <BFormInput
        v-model="search"
        class="search"
        type="search"
        placeholder="Name, role or unit"
        aria-label="Search by name, role or unit"
      />
      <BButton variant="primary" @click="inviting = true">Let somebody in</BButton>
    </div>
    <p class="quiet">
      Whoever only grades or times on one day needs no account: the officer in charge gives a station code.
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="accounts" class="sheet box">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Signs in as</th>
            <th scope="col">Role</th>
            <th scope="col">On record as</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="account in shown" :key="account.id" :class="account.state">
            <td>
              <button class="name" @click="opened = account">{{ account.displayName }}</button>
              <small v-if="STATES[account.state]" class="state">{{ STATES[account.state] }}</small>
            </td>
            <td class="figures">
              {{ account.signInName }}
              <small v-if="account.hasSecondFactor" class="state">with authenticator</small>
            </td>
            <td>
              {{ ROLE_NAMES[account.role] }}
              <small v-if="account.unitId" class="state">{{ units.pathOf(account.unitId) }}</small>
            </td>
            <td class="figures">{{ account.personNumber ?? '' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="shown.length === 0" class="quiet none">Nobody fits.</p>
    </div>
    <InviteDialog v-model="inviting" @invited="keepLink" @hidden="showLink" />
    <AccountDialog :account="opened" @close="opened = null" @changed="look" @link-made="keepLink" @hidden="showLink" />
    <AccountLink :link="link" :name="linkName" @close="link = null" />
  </main>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 8px;
}
.head h1 {
  flex: 1;
  margin: 0;
}
.search {
  width: 240px;
}
.box {
  overflow-x: auto;
}
.table {
  margin: 0;
}
td {
  vertical-align: middle;
}
.name {
  background: none;
  border: 0;
  padding: 4px 0;
  color: inherit;
  font-weight: 650;
  text-align: left;
  text-decoration: underline;
}
.state {
  display: block;
  color: var(--ink-2);
}
.closed td {
  color: var(--ink-2);
}
.closed .name {
  font-weight: 400;
}
.none {
  padding: 20px;
  margin: 0;
}
@media (max-width: 700px) {
  th:nth-child(2),
  td:nth-child(2),
  th:nth-child(4),
  td:nth-child(4) {
    display: none;
  }
  .search {
    width: 100%;
    order: 3;
  }
}
</style>
