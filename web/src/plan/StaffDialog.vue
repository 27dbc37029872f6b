<script setup lang="ts">
/** Who works on the day, each with a duty. */
import { AccountsAnswer, type LinkedAccount } from '@able-gauge/core'
import { BModal } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { call, inWords, tell } from '../api.ts'
import type { Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import StaffFields from '../days/StaffFields.vue'
import { useSession } from '../session/sessionStore.ts'
import StaffPersons from './StaffPersons.vue'

const props = defineProps<{
  day: Day
}>()
const open = defineModel<boolean>({ required: true })

const store = useDay()
const session = useSession()
const accounts = ref<readonly LinkedAccount[]>([])
/** Duty by account; whoever has one is on the staff. */
const duties = ref<Readonly<Record<string, string>>>({})
const problem = ref('')
const onStaff = computed(() => accounts.value.filter(({ id }) => duties.value[id] !== undefined))

watch(open, async (isOpen) => {
  if (!isOpen) return
  problem.value = ''
  duties.value = Object.fromEntries(
    props.day.staff.filter(({ isGuest }) => !isGuest).map(({ accountId, duty }) => [accountId, duty]),
  )
  try {
    accounts.value = (await call('GET', '/accounts', AccountsAnswer)).accounts
  } catch (error) {
    problem.value = inWords(error)
  }
})

const save = async (): Promise<void> => {
  const { id } = props.day.occasion
  const own = session.account?.id ?? ''
  const staff = Object.entries({ [own]: 'officer in charge', ...duties.value }).map(([accountId, duty]) => ({
    accountId,
    duty,
  }))
  try {
    await tell('PUT', `/occasions/${id}/staff`, { staff })
    await store.reread(id)
    open.value = false
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <BModal
    v-model="open"
    title="Staff of the day"
    size="lg"
    ok-title="Save"
    cancel-title="Back"
    cancel-variant="quiet"
    scrollable
    @ok.prevent="save"
  >
    <StaffFields v-model="duties" :accounts="accounts" legend="Who works on this day, and as what" />
    <StaffPersons :accounts="onStaff" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </BModal>
</template>
