<script setup lang="ts">
/** Everybody entered: bib, who is here, who is held, who is missing. */
import { openHolds, printDate, type Attendance } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { useSessionStorage } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { byBib, fullName, type Day, type Entry } from '../day/day.ts'
import { useSession } from '../session/sessionStore.ts'
import { useAfterPaint } from '../ui/useAfterPaint.ts'
import MusterDialog from './MusterDialog.vue'
import MusterMissing from './MusterMissing.vue'

const props = defineProps<{
  day: Day
}>()

const session = useSession()
const search = ref('')
const only = ref<Attendance | 'all'>('all')
const editingId = ref('')
/** Whom somebody looked at last on this device: found again at a glance, also after another room. */
const lastId = useSessionStorage(() => `able-gauge-muster-${props.day.occasion.id}`, '')
watch(editingId, async (now, before) => {
  if (now !== '') lastId.value = now
  else if (before !== '') {
    await nextTick()
    table.value?.querySelector(`[data-entry="${before}"]`)?.scrollIntoView({ block: 'nearest' })
  }
})
onMounted(() => table.value?.querySelector(`[data-entry="${lastId.value}"]`)?.scrollIntoView({ block: 'nearest' }))
const table = useTemplateRef('table')
const askingMissing = ref(false)
/** Always as it is on record now, also after somebody else has changed it. */
const editing = computed<Entry | null>(() => props.day.entries.find(({ id }) => id === editingId.value) ?? null)
const mayEdit = computed(() => session.can('entries.change') && !props.day.occasion.signedOff)

const WORDS: Readonly<Record<Attendance, string>> = {
  expected: 'expected',
  present: 'here',
  held: 'held',
  absent: 'absent',
  late: 'late',
  withdrawn: 'withdrew',
}
const ORDER: readonly Attendance[] = ['present', 'expected', 'late', 'held', 'absent', 'withdrawn']
/** Kinds that are always counted; the others once there is somebody. */
const ALWAYS: readonly Attendance[] = ['present', 'expected']
const counted = computed(() => ORDER.filter((one) => ALWAYS.includes(one) || countOf(one) > 0))
const countOf = (attendance: Attendance): number =>
  props.day.entries.filter((entry) => entry.attendance === attendance).length
const categoryName = (id: string): string =>
  props.day.standard.categories.find((category) => category.id === id)?.name ?? id

const ordered = computed(() => [...props.day.entries].sort((a, b) => a.wave - b.wave || byBib(a, b)))
/** Who fits what is looked for. All rows stay where they are, so that a key changes what is seen and nothing else. */
const fits = useAfterPaint(() => {
  const wanted = search.value.trim().toLowerCase()
  const isWanted = (entry: Entry): boolean =>
    (only.value === 'all' || entry.attendance === only.value) &&
    (wanted === '' ||
      String(entry.bib) === wanted ||
      `${fullName(entry)} ${entry.person.number}`.toLowerCase().includes(wanted))
  return new Set(props.day.entries.filter(isWanted).map(({ id }) => id))
})
const showsBirthDates = computed(() => props.day.entries.some(({ person }) => person.birthDate !== undefined))
const isAwaited = ({ attendance }: Entry): boolean => attendance === 'expected' || attendance === 'late'
const nextArrival = computed(() => [...props.day.entries].sort(byBib).find(isAwaited))
/** Whoever comes after the one being checked in. */
const following = computed(() =>
  [...props.day.entries].sort(byBib).find((entry) => isAwaited(entry) && entry.id !== editingId.value),
)
const holdsOn = computed(() => {
  const reasons = new Map<string, string[]>()
  for (const { content } of openHolds(props.day.records))
    reasons.set(content.entryId, [...(reasons.get(content.entryId) ?? []), content.reason])
  return reasons
})
/** Why somebody is held, then the note; a note that says the same is said once. */
const remarksOn = ({ id, note, attendance, identityChecked, carried, choices }: Entry): string => {
  const unseen = attendance === 'present' && !identityChecked ? 'identity not checked' : ''
  const repeats =
    carried && choices.wholeBattery !== true
      ? `again: ${props.day.standard.events.flatMap(({ id: eventId, name }) => (eventId in carried ? [] : [name])).join(', ')}`
      : ''
  return [...new Set([...(holdsOn.value.get(id) ?? []), note, unseen, repeats])]
    .filter((text) => text !== '')
    .join('; ')
}
</script>

<template>
  <div>
    <div class="top">
      <dl>
        <div v-for="attendance in counted" :key="attendance">
          <dd class="figures">{{ countOf(attendance) }}</dd>
          <dt>{{ WORDS[attendance] }}</dt>
        </div>
      </dl>
      <BFormInput
        v-model="search"
        class="search"
        type="search"
        placeholder="Bib, name or number"
        aria-label="Search by bib, name or number"
      />
      <BFormSelect v-model="only" class="only" aria-label="Show">
        <option value="all">everybody</option>
        <option v-for="attendance in ORDER" :key="attendance" :value="attendance">{{ WORDS[attendance] }}</option>
      </BFormSelect>
      <BButton v-if="nextArrival && mayEdit" variant="quiet" @click="askingMissing = true">Who is not here</BButton>
      <BButton v-if="nextArrival && mayEdit" variant="primary" @click="editingId = nextArrival.id">
        Check in {{ fullName(nextArrival) }}
      </BButton>
      <RouterLink v-else class="btn btn-primary" :to="{ name: 'run' }">Go to the events</RouterLink>
    </div>
    <div ref="table" class="sheet table-box">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">Bib</th>
            <th scope="col">Name</th>
            <th scope="col" class="aside">Number</th>
            <th scope="col">Age</th>
            <th v-if="showsBirthDates" scope="col" class="aside">Born</th>
            <th scope="col">Category</th>
            <th scope="col">Wave</th>
            <th scope="col">At muster</th>
            <th v-if="mayEdit" scope="col"><span class="visually-hidden">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="entry in ordered"
            v-show="fits.has(entry.id)"
            :key="entry.id"
            :data-entry="entry.id"
            :class="[entry.attendance, { last: lastId === entry.id }]"
          >
            <td class="figures bib">{{ entry.bib ?? '–' }}</td>
            <td class="name">{{ fullName(entry) }}</td>
            <td class="figures aside" data-label="Number">{{ entry.person.number }}</td>
            <td class="figures" data-label="Age">{{ entry.ageYears }}</td>
            <td v-if="showsBirthDates" class="aside" data-label="Born">
              {{ entry.person.birthDate ? printDate(entry.person.birthDate) : '' }}
            </td>
            <td data-label="Category">{{ categoryName(entry.category) }}</td>
            <td class="figures" data-label="Wave">{{ entry.wave }}</td>
            <td class="attendance">
              <strong>{{ WORDS[entry.attendance] }}</strong><span class="quiet"> {{ remarksOn(entry) }}</span>
            </td>
            <td v-if="mayEdit" class="change">
              <BButton
                variant="quiet"
                size="sm"
                :aria-label="`Change ${fullName(entry)}`"
                @click="editingId = entry.id"
              >
                Change
              </BButton>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="fits.size === 0" class="quiet none">Nobody fits. Clear the search to see everybody.</p>
    </div>
    <MusterMissing v-model="askingMissing" :day="day" />
    <MusterDialog
      :day="day"
      :entry="editing"
      :has-next="following !== undefined"
      @close="editingId = ''"
      @next="editingId = following?.id ?? ''"
    />
  </div>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 12px;
}
dl {
  display: flex;
  gap: 18px;
  margin: 0 auto 0 0;
}
dl div {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
dd {
  margin: 0;
  font-size: 1.375rem;
  font-weight: 700;
}
dt {
  font-weight: 400;
}
.search {
  width: 230px;
}
.only {
  width: 140px;
}
.table-box {
  overflow: hidden;
}
.table {
  margin: 0;
}
thead th {
  background: var(--sheet-2);
  font-size: 0.8125rem;
  color: var(--ink-2);
}
td {
  vertical-align: middle;
}
.bib {
  font-size: 1.125rem;
  font-weight: 700;
}
.name {
  font-weight: 650;
}
.attendance {
  max-width: 320px;
}
.attendance .quiet {
  margin-left: 8px;
}
.held,
.held td {
  background: var(--decide-tint);
}
.absent td,
.withdrawn td {
  color: var(--ink-2);
}
.last td:first-child {
  box-shadow: inset 4px 0 0 var(--ink);
}
.none {
  padding: 20px;
  margin: 0;
}
@media (max-width: 900px) {
  .aside {
    display: none;
  }
}
@media (max-width: 640px) {
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: 56px 1fr auto;
    align-items: center;
    border-bottom: 1px solid var(--line);
    padding: 6px 4px;
  }
  td {
    border: 0;
    padding: 2px 8px;
  }
  td[data-label] {
    display: none;
  }
  .attendance {
    grid-column: 2;
    grid-row: 2;
  }
  .change {
    grid-column: 3;
    grid-row: 1 / 3;
  }
  .search {
    flex: 1;
    width: auto;
  }
}
</style>
