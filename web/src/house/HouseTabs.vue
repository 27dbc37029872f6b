<script setup lang="ts">
/** The rooms in which the house itself is kept, for those who keep it. */
import { computed } from 'vue'
import { useSession } from '../session/sessionStore.ts'

const session = useSession()
const ROOMS = [
  { name: 'houseRules', title: 'Rules', action: 'houseRules.write' },
  { name: 'stock', title: 'Venues, kit, staff', action: 'houseRules.write' },
  { name: 'units', title: 'Units', action: 'units.write' },
  { name: 'backups', title: 'Backups', action: 'backups.make' },
] as const
const rooms = computed(() => ROOMS.filter(({ action }) => session.can(action)))
</script>

<template>
  <nav v-if="rooms.length > 1" class="tabs" aria-label="The house">
    <RouterLink v-for="{ name, title } in rooms" :key="name" :to="{ name }" exact-active-class="here">{{
      title
    }}</RouterLink>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  border-bottom: 1px solid var(--line-strong);
  margin-bottom: 18px;
}
a {
  padding: 10px 2px;
  color: var(--ink-2);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  font-weight: 650;
}
.here {
  color: var(--ink);
  border-color: var(--spruce);
}
</style>
