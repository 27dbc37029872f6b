<script setup lang="ts">
/** What is kept once for every day: venues with their measured ground, kit, groups of staff. */
import {
  AccountsAnswer,
  FIRST_KIT,
  type KitRule,
  type LinkedAccount,
  type StaffGroup,
  type Venue,
} from '@able-gauge/core'
import { onMounted, shallowRef } from 'vue'
import { call, inWords } from '../../api.ts'
import HouseBand from '../../ui/HouseBand.vue'
import HouseTabs from '../HouseTabs.vue'
import SaveBar from '../SaveBar.vue'
import { useHouseDraft } from '../useHouseDraft.ts'
import StockGroups from './StockGroups.vue'
import StockKit from './StockKit.vue'
import StockVenues from './StockVenues.vue'

interface Draft {
  venues: Venue[]
  kit: KitRule[]
  staffGroups: StaffGroup[]
}

/** Fields of a form change what they are bound to; what is stored is never the same object. */
const copyOf = <Value>(value: Value): Value => JSON.parse(JSON.stringify(value)) as Value

const { draft, problem, isChanged, save, drop } = useHouseDraft<Draft>(
  'stock',
  ({ venues = [], kit = FIRST_KIT.map((one) => ({ ...one })), staffGroups = [] }) =>
    copyOf({ venues, kit, staffGroups }),
  (rules, stock) => ({ ...rules, ...copyOf(stock) }),
)
const accounts = shallowRef<readonly LinkedAccount[]>([])
onMounted(async () => {
  try {
    accounts.value = (await call('GET', '/accounts', AccountsAnswer)).accounts
  } catch (error) {
    problem.value = inWords(error)
  }
})
</script>

<template>
  <HouseBand />
  <main class="room">
    <HouseTabs />
    <h1>Venues, kit and staff groups</h1>
    <p class="quiet">Kept once, chosen on every day.</p>
    <form v-if="draft" @submit.prevent="save">
      <StockVenues v-model="draft.venues" />
      <StockKit v-model="draft.kit" />
      <StockGroups v-model="draft.staffGroups" :accounts="accounts" />
      <SaveBar label="Save" :is-changed="isChanged" :problem="problem" @drop="drop" />
    </form>
    <p v-else-if="problem" class="problem" role="alert">{{ problem }}</p>
  </main>
</template>
