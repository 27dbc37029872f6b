<script setup lang="ts">
/** People who often work together, each with a duty. */
import type { LinkedAccount, StaffGroup } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { ROLE_NAMES } from '../../session/sessionStore.ts'

const props = defineProps<{ accounts: readonly LinkedAccount[] }>()
const groups = defineModel<StaffGroup[]>({ required: true })

const workers = computed(() =>
  props.accounts.filter(({ role }) => !['administrator', 'records', 'viewer'].includes(role)),
)
const options = computed(() => workers.value.map(({ id, displayName }) => ({ value: id, text: displayName })))
/** The next of those who are not in the group yet. */
const addMember = ({ members }: StaffGroup): void => {
  const next = workers.value.find(({ id }) => !members.some(({ accountId }) => accountId === id))
  if (next) members.push({ accountId: next.id, duty: ROLE_NAMES[next.role] })
}
const addGroup = (): void => {
  const group: StaffGroup = { name: '', members: [] }
  addMember(group)
  groups.value.push(group)
}
</script>

<template>
  <section class="sheet part">
    <h2>Staff groups</h2>
    <p v-if="groups.length === 0" class="quiet">
      None yet. A group puts its people on a day in one go, each with a duty.
    </p>
    <article v-for="(group, index) in groups" :key="index" class="group">
      <div class="line">
        <label class="wide"><span>Name</span> <BFormInput v-model="group.name" maxlength="80" required /></label>
        <BButton
          variant="quiet"
          size="sm"
          :aria-label="`Remove ${group.name || 'the group'}`"
          @click="groups.splice(index, 1)"
          >Remove</BButton
        >
      </div>
      <div v-for="(member, at) in group.members" :key="at" class="line member" :class="{ again: at > 0 }">
        <label class="wide"><span>Who</span> <BFormSelect v-model="member.accountId" :options="options" /></label>
        <label class="wide"><span>Duty</span> <BFormInput v-model="member.duty" maxlength="80" required /></label>
        <BButton
          v-if="group.members.length > 1"
          variant="quiet"
          size="sm"
          :aria-label="`Take ${member.duty} out`"
          @click="group.members.splice(at, 1)"
          >Take out</BButton
        >
      </div>
      <BButton variant="quiet" size="sm" :disabled="group.members.length >= workers.length" @click="addMember(group)"
        >Another person</BButton
      >
    </article>
    <BButton variant="quiet" size="sm" :disabled="workers.length === 0" @click="addGroup">New group</BButton>
  </section>
</template>

<style scoped src="./stock.css"></style>
<style scoped>
.group {
  border-top: 1px solid var(--line);
  padding: 10px 0;
}
.member {
  padding-left: 22px;
}
</style>
