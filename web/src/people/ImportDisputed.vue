<script setup lang="ts">
/** Rows in which file and register differ: both side by side, and what is to become of each. */
import { printDate, type RegisteredField, type RegisterRow } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { useUnits } from '../session/unitStore.ts'
import type { Decision, Disputed } from './usePeopleImport.ts'

defineProps<{
  disputed: readonly Disputed[]
  decisions: Readonly<Record<number, Decision>>
}>()
const emit = defineEmits<{ decide: [line: number, decision: Decision]; decideAll: [decision: Decision] }>()

const units = useUnits()
const NAMES: Readonly<Record<RegisteredField, string>> = {
  number: 'number',
  givenName: 'given name',
  familyName: 'family name',
  birthDate: 'born',
  category: 'category',
  unitId: 'unit',
  rank: 'rank',
  email: 'e-mail',
}
const say = (row: RegisterRow, field: RegisteredField): string => {
  if (row[field] === '') return 'nothing'
  if (field === 'unitId') return units.pathOf(row.unitId)
  return field === 'birthDate' ? printDate(row.birthDate) : row[field]
}
const choicesFor = ({ mayBeOther }: Disputed): readonly { readonly is: Decision; readonly words: string }[] => [
  { is: 'change', words: mayBeOther ? 'The same person' : 'Take the file’s' },
  ...(mayBeOther ? [{ is: 'add' as const, words: 'Another person' }] : []),
  { is: 'leave', words: 'Leave as it is' },
]
</script>

<template>
  <div class="all">
    <BButton variant="quiet" size="sm" @click="emit('decideAll', 'change')">Take the file’s for all still open</BButton>
    <BButton variant="quiet" size="sm" @click="emit('decideAll', 'leave')">Leave all still open as they are</BButton>
  </div>
  <ul class="list">
    <li v-for="one in disputed" :key="one.line">
      <div class="who">
        <strong>{{ one.person.givenName }} {{ one.person.familyName }}</strong>
        <small class="quiet">line {{ one.line }}, number {{ one.person.number }}</small>
        <small v-if="one.mayBeOther" class="quiet">Name and date of birth are on record under another number.</small>
      </div>
      <dl>
        <template v-for="field in one.fields" :key="field">
          <dt>{{ NAMES[field] }}</dt>
          <dd>
            <span class="now">{{ say(one.person, field) }}</span>
            <span aria-hidden="true"> → </span><span class="visually-hidden">in the file</span>
            <strong>{{ say(one.row, field) }}</strong>
          </dd>
        </template>
      </dl>
      <div class="choices" role="group" :aria-label="`Line ${one.line}`">
        <BButton
          v-for="{ is, words } in choicesFor(one)"
          :key="is"
          variant="quiet"
          size="sm"
          :aria-pressed="decisions[one.line] === is"
          @click="emit('decide', one.line, is)"
          >{{ words }}</BButton
        >
      </div>
    </li>
  </ul>
</template>

<style scoped>
.all,
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.list {
  list-style: none;
  padding: 0;
  margin: 8px 0 14px;
}
li {
  display: grid;
  grid-template-columns: minmax(180px, 1fr) 2fr auto;
  gap: 6px 16px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
.who small {
  display: block;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 10px;
  margin: 0;
}
dt {
  font-weight: 400;
  color: var(--ink-2);
}
dd {
  margin: 0;
}
.now {
  color: var(--ink-2);
}
[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
