<script setup lang="ts">
/** The organisation as a tree of units and sites: people, staff and days belong to one of them, or to the whole. */
import type { OrgUnit } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { onMounted, ref, shallowRef } from 'vue'
import { inWords } from '../../api.ts'
import { useUnits } from '../../session/unitStore.ts'
import HouseBand from '../../ui/HouseBand.vue'
import HouseTabs from '../HouseTabs.vue'
import UnitDialog from './UnitDialog.vue'

const units = useUnits()
const problem = ref('')
const known = ref(false)
/** The one that is being changed; without an id a new one. */
const opened = shallowRef<Partial<OrgUnit> | null>(null)

const look = async (): Promise<void> => {
  try {
    await units.read()
    problem.value = ''
  } catch (error) {
    problem.value = inWords(error)
  }
  known.value = true
}
onMounted(look)
</script>

<template>
  <HouseBand />
  <main class="room">
    <HouseTabs />
    <div class="head">
      <h1>Units</h1>
      <BButton variant="primary" @click="opened = {}">New unit</BButton>
    </div>
    <p class="quiet">
      Whoever belongs to a unit sees and works there and in the units below it. Whoever belongs to none sees the whole
      organisation.
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <ul v-if="units.tree.length > 0" class="sheet tree">
      <li
        v-for="unit in units.tree"
        :key="unit.id"
        :style="{ '--depth': unit.depth }"
        :class="{ closed: unit.isClosed }"
      >
        <button class="name" @click="opened = unit">{{ unit.name }}</button>
        <small v-if="unit.isClosed">closed</small>
        <BButton v-if="!unit.isClosed" variant="quiet" size="sm" @click="opened = { parentId: unit.id }"
          >Unit below it</BButton
        >
      </li>
    </ul>
    <p v-else-if="known && !problem" class="sheet empty">
      No units yet: everybody here sees everything. Services, divisions, watches, companies or sites go here, each below
      the one it is a part of.
    </p>
    <UnitDialog :unit="opened" @close="opened = null" @changed="look" />
  </main>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  margin-bottom: 8px;
}
.head h1 {
  margin: 0;
}
.tree {
  list-style: none;
  padding: 4px 18px;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 48px;
  padding-left: calc(var(--depth) * 26px);
  border-top: 1px solid var(--line);
}
li:first-child {
  border-top: 0;
}
.name {
  background: none;
  border: 0;
  padding: 6px 0;
  color: inherit;
  font-weight: 650;
  text-align: left;
  text-decoration: underline;
  flex: 1;
}
.closed .name {
  font-weight: 400;
  color: var(--ink-2);
}
.empty {
  padding: 20px;
}
</style>
