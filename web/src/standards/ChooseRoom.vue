<script setup lang="ts">
/** Which test to choose: every event of the library side by side, in the order somebody asks for. */
import {
  CHOOSING,
  forceOn,
  inOrderOf,
  parseStandard,
  testsToChoose,
  type ChoosingColumn,
  type Standard,
  type TestToChoose,
} from '@able-gauge/core'
import { BFormInput } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { inWords } from '../api.ts'
import HouseBand from '../ui/HouseBand.vue'
import { today } from '../ui/localTime.ts'
import { listVersions, readVersion } from './standardCalls.ts'

const COLUMNS: Readonly<Record<ChoosingColumn, string>> = {
  name: 'Test',
  measures: 'Tells',
  effort: 'Effort',
  directness: 'Read or estimated',
  peopleAtOnce: 'At once',
  secondsEach: 'Time a head',
  repeatability: 'Repeats within',
}
const EFFORT = { maximal: 'maximal', submaximal: 'submaximal', skill: 'skill' } as const

const tests = shallowRef<readonly TestToChoose[] | null>(null)
const problem = ref('')
const sought = ref('')
// the order stands in the address, so that a view can be sent
const route = useRoute()
const router = useRouter()
const column = computed(() => CHOOSING.find((one) => one === route.query['by']) ?? 'name')
const way = computed(() => (route.query['way'] === 'down' ? 'down' : 'up'))

onMounted(async () => {
  try {
    const date = today()
    const inForce = (await listVersions()).filter((version) => forceOn(version, date) === 'now')
    const details = await Promise.all(inForce.map(({ id, version }) => readVersion(id, version)))
    tests.value = testsToChoose(
      details.flatMap(({ content }): Standard[] => {
        const read = parseStandard(content)
        return read.ok ? [read.value] : []
      }),
    )
  } catch (error) {
    problem.value = inWords(error)
  }
})

const shown = computed(() => {
  const text = sought.value.trim().toLowerCase()
  const fitting = (tests.value ?? []).filter(({ name, measures, kind, standard }) =>
    [name, measures ?? '', kind, standard].some((one) => one.toLowerCase().includes(text)),
  )
  return inOrderOf(fitting, column.value, way.value === 'down')
})
const sort = async (by: ChoosingColumn): Promise<void> => {
  const next = column.value === by && way.value === 'up' ? 'down' : 'up'
  await router.replace({ query: { ...route.query, by, way: next } })
}
const sorted = (by: ChoosingColumn): 'ascending' | 'descending' | 'none' =>
  column.value === by ? (way.value === 'up' ? 'ascending' : 'descending') : 'none'
/** The longest bar is the slowest test shown. */
const slowest = computed(() => Math.max(...shown.value.map(({ secondsEach }) => secondsEach ?? 0), 1))
</script>

<template>
  <HouseBand />
  <main class="room">
    <div class="head">
      <div>
        <RouterLink :to="{ name: 'library' }">Standards</RouterLink>
        <h1>Which test to choose</h1>
        <p class="quiet">
          Every event of the standards in force. Your own rules and clinicians say who may be tested how hard.
        </p>
      </div>
      <BFormInput v-model="sought" class="seek" placeholder="a name, or what it tells" aria-label="Find a test" />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-if="tests?.length === 0" class="quiet">
      No standard is in force. Publish one, and its events are compared here.
    </p>
    <div v-if="shown.length" class="sheet scroll" tabindex="0" role="group" aria-label="Tests side by side">
      <table class="table">
        <thead>
          <tr>
            <th v-for="(words, by) in COLUMNS" :key="by" scope="col" :aria-sort="sorted(by)">
              <button type="button" @click="sort(by)">
                {{ words }}
                <span aria-hidden="true">{{ column === by ? (way === 'up' ? '▴' : '▾') : '' }}</span>
              </button>
            </th>
            <th scope="col">Kit</th>
            <th scope="col">Cautions</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in shown" :key="`${one.standardId} ${one.eventId}`">
            <th scope="row">
              <RouterLink :to="{ name: 'standard', params: { standardId: one.standardId, version: one.version } }">{{
                one.name
              }}</RouterLink>
              <small class="quiet">{{ one.kind }} · {{ one.standard }}</small>
            </th>
            <td data-label="Tells">{{ one.measures ?? 'not said' }}</td>
            <td data-label="Effort">{{ one.effort ? EFFORT[one.effort] : 'not said' }}</td>
            <td data-label="Read or estimated">
              {{ one.estimates.length ? `also estimates: ${one.estimates.join('; ')}` : 'read directly' }}
            </td>
            <td data-label="At once" class="figures">{{ one.peopleAtOnce ?? '–' }}</td>
            <td data-label="Time a head">
              <template v-if="one.secondsEach !== null">
                <span class="figures">{{ one.secondsEach }} s</span>
                <span class="bar" aria-hidden="true"
                  ><span :style="{ width: `${(100 * one.secondsEach) / slowest}%` }"
                /></span>
                <small class="quiet">sixty people: {{ one.minutesForSixty }} min</small>
              </template>
              <template v-else>–</template>
            </td>
            <td data-label="Repeats within">{{ one.repeatability ?? 'not known' }}</td>
            <td data-label="Kit">{{ one.kit.join(', ') || '–' }}</td>
            <td data-label="Cautions">{{ one.cautions.join(' ') || '–' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </main>
</template>

<style scoped>
.room {
  max-width: 1440px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: end;
  gap: 16px;
  margin: 10px 0 14px;
}
.head p {
  margin: 2px 0 0;
}
.seek {
  max-width: 280px;
}
.scroll {
  overflow: auto;
  max-height: calc(100dvh - 220px);
}
.table {
  margin: 0;
  font-size: 0.875rem;
  min-width: 1180px;
}
thead th {
  vertical-align: middle;
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--sheet-2);
  white-space: nowrap;
}
thead button {
  border: 0;
  padding: 4px 0;
  background: none;
  color: inherit;
  font-weight: 700;
  min-height: 36px;
}
tbody th small,
td small {
  display: block;
  font-weight: 400;
}
.bar {
  display: block;
  height: 6px;
  background: var(--line);
  border-radius: 3px;
  margin: 3px 0;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--spruce, var(--bar));
  border-radius: 3px;
}
@media (max-width: 760px) {
  .head {
    display: grid;
  }
  .scroll {
    max-height: none;
  }
  .table {
    min-width: 0;
  }
  thead {
    display: none;
  }
  tbody tr {
    display: grid;
    padding: 10px 14px;
    border-bottom: 1px solid var(--line);
  }
  tbody :is(th, td) {
    border: 0;
    padding: 2px 0;
  }
  td::before {
    content: attr(data-label) ': ';
    color: var(--ink-2);
  }
}
</style>
