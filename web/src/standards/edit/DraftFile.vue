<script setup lang="ts">
/** The draft as the file it is: its short names, and the file itself. */
import { BButton } from 'bootstrap-vue-next'
import { computed } from 'vue'
import { saveFile } from '../../ui/saveFile.ts'
import { listIn } from './scoringGrid.ts'
import type { Plain } from './plain.ts'

const props = defineProps<{ draft: Plain }>()

const LISTS = [
  { name: 'events', heading: 'Events' },
  { name: 'alternateEvents', heading: 'Alternates' },
  { name: 'categories', heading: 'Categories' },
  { name: 'roles', heading: 'Roles' },
  { name: 'exemptions', heading: 'Exemptions' },
] as const
const lists = computed(() =>
  LISTS.map(({ name, heading }) => ({ heading, items: listIn(props.draft, name) })).filter(
    ({ items }) => items.length > 0,
  ),
)
const save = (): void =>
  saveFile(
    `${String(props.draft['id'])}-v${String(props.draft['version'])}.json`,
    'application/json',
    `${JSON.stringify(props.draft, null, 2)}\n`,
  )
</script>

<template>
  <h2>File</h2>
  <p>
    In files and on the command line this standard is <code>{{ draft['id'] }}</code>, version {{ draft['version'] }}.
    Columns of results are named by the short names below; they are made of the names.
  </p>
  <table class="table">
    <tbody v-for="{ heading, items } in lists" :key="heading">
      <tr>
        <th colspan="2">{{ heading }}</th>
      </tr>
      <tr v-for="(item, at) in items" :key="at">
        <td>{{ item['name'] }}</td>
        <td>
          <code>{{ item['id'] }}</code>
        </td>
      </tr>
    </tbody>
  </table>
  <BButton variant="quiet" @click="save">Save the file</BButton>
</template>

<style scoped>
table {
  max-width: 520px;
}
</style>
