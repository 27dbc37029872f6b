<script setup lang="ts">
/** Accounts to put on a staff, each with a duty in words. */
import type { StaffGroup } from '@able-gauge/core'
import { BButton, BFormCheckbox } from 'bootstrap-vue-next'
import TypedField from '../ui/TypedField.vue'
import { ROLE_NAMES, useSession, type Account } from '../session/sessionStore.ts'

const props = defineProps<{
  accounts: readonly Account[]
  /** People who often work together. */
  groups?: readonly StaffGroup[]
  legend: string
}>()
/** Duty by account; whoever has one is on the staff. */
const duties = defineModel<Readonly<Record<string, string>>>({ required: true })

const session = useSession()

const put = ({ id, role }: Account): void => {
  const { [id]: known, ...others } = duties.value
  duties.value = known === undefined ? { ...others, [id]: ROLE_NAMES[role] } : others
}
/** Puts a group on the staff, each with the duty they have in it; who is on it already keeps theirs. */
const putGroup = ({ members }: StaffGroup): void => {
  const offered = new Set(props.accounts.filter(isOffered).map(({ id }) => id))
  const added = members.filter(({ accountId }) => offered.has(accountId))
  duties.value = { ...Object.fromEntries(added.map(({ accountId, duty }) => [accountId, duty])), ...duties.value }
}
const say = (id: string, duty: string): void => {
  if (duty !== '') duties.value = { ...duties.value, [id]: duty }
}
const isOffered = ({ id, role }: Account): boolean =>
  id !== session.account?.id && !['viewer', 'administrator', 'records'].includes(role)
</script>

<template>
  <fieldset class="staff">
    <legend class="form-label fs-6">{{ legend }}</legend>
    <div v-if="groups && groups.length > 0" class="groups">
      <BButton v-for="group in groups" :key="group.name" variant="quiet" size="sm" @click="putGroup(group)">{{
        group.name
      }}</BButton>
    </div>
    <template v-for="account in accounts" :key="account.id">
      <div v-if="isOffered(account)" class="member">
        <BFormCheckbox
          class="tick"
          :model-value="duties[account.id] !== undefined"
          @update:model-value="put(account)"
          >{{ account.displayName }}</BFormCheckbox
        >
        <TypedField
          v-if="duties[account.id] !== undefined"
          :value="duties[account.id] ?? ''"
          class="form-control-sm"
          maxlength="80"
          list="duties"
          :aria-label="`Duty of ${account.displayName}`"
          @typed="say(account.id, $event)"
        />
        <span v-else class="quiet">{{ ROLE_NAMES[account.role] }}</span>
      </div>
    </template>
    <datalist id="duties">
      <option
        v-for="duty in ['grader', 'timer', 'backup timer', 'check-in clerk', 'medical cover', 'officer in charge']"
        :key="duty"
        :value="duty"
      />
    </datalist>
  </fieldset>
</template>

<style scoped>
.staff {
  margin-top: 14px;
}
.groups {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 8px;
}
.member {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-items: center;
  min-height: 40px;
  border-top: 1px solid var(--line);
}
</style>
