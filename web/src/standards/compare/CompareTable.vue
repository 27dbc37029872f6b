<script setup lang="ts">
/** What an event asks of each band under both versions. */
import { printComparedAges, type ComparedEvent, type ComparedRow, type ScoringCategory } from '@able-gauge/core'
import { computed } from 'vue'

const props = defineProps<{
  event: ComparedEvent
  from: number
  to: number
  categories: readonly ScoringCategory[]
}>()

const WORDS = { harder: 'asks more', easier: 'asks less', same: 'the same', other: 'another rule' } as const
const nameOf = (category: string): string => props.categories.find(({ id }) => id === category)?.name ?? category
/** Rows that are alike for every category are told once. */
const rows = computed(() => {
  const key = ({ ageFrom, ageTo, label, before, after }: ComparedRow): string =>
    [ageFrom, ageTo, label, before?.text, after?.text].join('|')
  const count = new Map<string, number>()
  for (const row of props.event.rows) count.set(key(row), (count.get(key(row)) ?? 0) + 1)
  const all = new Set(props.event.rows.map(({ category }) => category)).size
  const seen = new Set<string>()
  return props.event.rows.flatMap((row) => {
    const isForAll = count.get(key(row)) === all
    if (isForAll && seen.has(key(row))) return []
    seen.add(key(row))
    return [{ ...row, who: isForAll && all > 1 ? 'everybody' : nameOf(row.category) }]
  })
})
</script>

<template>
  <section v-if="event.rows.length" class="sheet event">
    <h2>{{ event.name }}</h2>
    <div class="scroll">
      <table class="table figures">
        <thead>
          <tr>
            <th scope="col">Ages</th>
            <th scope="col">Category</th>
            <th scope="col">For</th>
            <th scope="col">Version {{ from }}</th>
            <th scope="col">Version {{ to }}</th>
            <th scope="col">Version {{ to }} …</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, index) in rows" :key="index" :class="row.direction">
            <th scope="row">{{ printComparedAges(row) }}</th>
            <td>{{ row.who }}</td>
            <td>{{ row.label }}</td>
            <td>{{ row.before?.text ?? 'not asked' }}</td>
            <td>{{ row.after?.text ?? 'not asked' }}</td>
            <td class="direction">
              <svg viewBox="0 0 12 12" aria-hidden="true">
                <path v-if="row.direction === 'harder'" d="M6 2l4 7H2z" fill="currentColor" />
                <path
                  v-else-if="row.direction === 'easier'"
                  d="M6 10L2 3h8z"
                  fill="none"
                  stroke="currentColor"
                  stroke-width="1.4"
                />
                <path v-else-if="row.direction === 'same'" d="M2 6h8" stroke="currentColor" stroke-width="1.6" />
                <path v-else d="M2 4h8M2 8h8" stroke="currentColor" stroke-width="1.2" stroke-dasharray="2 1.5" />
              </svg>
              {{ WORDS[row.direction] }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
/* what is far below is laid out when it comes near */
.event {
  content-visibility: auto;
  contain-intrinsic-size: auto 320px;
  padding: 14px 20px;
  margin-bottom: 12px;
}
.scroll {
  overflow-x: auto;
}
.table {
  margin: 6px 0 0;
  font-size: 0.875rem;
}
.table :is(th, td) {
  padding: 5px 10px 5px 0;
}
tbody th {
  font-weight: 400;
}
.same {
  color: var(--ink-2);
}
.direction svg {
  width: 12px;
  margin-right: 4px;
}
.harder .direction {
  font-weight: 700;
}
</style>
