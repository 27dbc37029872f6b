<script setup lang="ts">
/** Both versions applied to past results: how many would meet each, who would change, in which event and by how much. */
import { printMargin, type Outcome, type Standard, type Unit, factsOf } from '@able-gauge/core'
import { proxy, wrap } from 'comlink'
import { scaleLinear } from 'd3-scale'
import { BButton } from 'bootstrap-vue-next'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import CompareFair from './CompareFair.vue'
import type { ImpactAnswer, ImpactWorker } from '../../workers/impact.worker.ts'
import WorkerOfImpact from '../../workers/impact.worker.ts?worker'

const props = defineProps<{
  before: Standard
  after: Standard
}>()

const answer = shallowRef<ImpactAnswer | null>(null)
const progress = ref<{ done: number; of: number } | null>(null)
const problem = ref('')
const source = ref('')
/** Hundreds of rows are drawn when somebody asks for them. */
const showsChanged = ref(false)

const worker = new WorkerOfImpact()
const remote = wrap<ImpactWorker>(worker)
onScopeDispose(() => worker.terminate())

const run = async (
  name: string,
  work: (onProgress: (done: number, of: number) => void) => Promise<ImpactAnswer>,
): Promise<void> => {
  problem.value = ''
  answer.value = null
  source.value = name
  progress.value = { done: 0, of: 1 }
  try {
    answer.value = await work(proxy((done: number, of: number) => (progress.value = { done, of })))
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  }
  progress.value = null
}

// a plain copy crosses to the worker; instances of document classes would arrive without their class anyway
const plain = (standard: Standard): unknown => JSON.parse(JSON.stringify(standard))
const ofDays = (): Promise<void> =>
  run(`signed-off days of version ${props.before.version}`, (onProgress) =>
    remote.ofServer(
      plain(props.before),
      plain(props.after),
      `/api/standards/${props.before.id}/${props.before.version}/results`,
      onProgress,
    ),
  )
const ofFile = async (event: Event): Promise<void> => {
  const input = event.target as HTMLInputElement // the handler sits on a file field
  const file = input.files?.[0]
  input.value = ''
  if (file)
    await run(file.name, (onProgress) => remote.ofFile(plain(props.before), plain(props.after), file, onProgress))
}

const impact = computed(() => answer.value?.impact ?? null)
const rate = (met: number, of: number): string => (of === 0 ? '–' : `${Math.round((100 * met) / of)} %`)
const OUTCOMES: Readonly<Record<Outcome, string>> = {
  met: 'met',
  tookPart: 'took part',
  short: 'short',
  open: 'to decide',
  notFinished: 'not finished',
  notStarted: 'not started',
  withdrawn: 'withdrawn',
  disqualified: 'disqualified',
  exempt: 'exempt',
}
const moves = computed(() => impact.value?.moves.filter(({ before, after }) => before !== after) ?? [])

const WIDTH = 220
const x = scaleLinear([0, 1], [6, WIDTH - 6])
const eventOf = (eventId: string) =>
  props.after.events.find(({ id }) => id === eventId) ?? props.before.events.find(({ id }) => id === eventId)
const nameOf = (eventId: string): string => eventOf(eventId)?.name ?? eventId
const unitOf = (eventId: string): Unit => {
  const event = eventOf(eventId)
  return event ? factsOf(event.protocol).unit : 'count'
}
const marginWords = ({ eventId, margin }: { eventId: string; margin: number | null }): string => {
  if (margin === null) return nameOf(eventId)
  const size = printMargin(margin, unitOf(eventId))
  return `${nameOf(eventId)}: ${margin < 0 ? `short by ${size}` : `${size} to spare`}`
}
</script>

<template>
  <section class="sheet impact" aria-live="polite">
    <header>
      <h2>Who would change</h2>
      <BButton variant="primary" :disabled="progress !== null" @click="ofDays">
        Apply both to the signed-off days
      </BButton>
      <label class="btn btn-quiet" :class="{ disabled: progress !== null }"
        >Apply both to a file of results<input
          type="file"
          accept=".csv,text/csv"
          class="visually-hidden"
          @change="ofFile"
      /></label>
    </header>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="progress" class="progress-line">
      <progress :value="progress.done" :max="progress.of" aria-label="Results judged" />
      <span class="figures">{{ progress.done.toLocaleString('en') }}</span>
    </div>
    <p v-if="!impact && !progress && !problem" class="quiet">
      Past results are judged by both versions, as they were measured then. Nothing on record changes.
    </p>
    <template v-if="impact && answer">
      <p class="sum">
        <strong class="figures">{{ impact.people.toLocaleString('en') }}</strong> results from {{ source }}. Met version
        {{ before.version }}: <strong class="figures">{{ impact.metBefore.toLocaleString('en') }}</strong> ({{
          rate(impact.metBefore, impact.people)
        }}), would meet version {{ after.version }}:
        <strong class="figures">{{ impact.metAfter.toLocaleString('en') }}</strong> ({{
          rate(impact.metAfter, impact.people)
        }}). {{ impact.changedInAll.toLocaleString('en') }} would change.
      </p>
      <p v-if="answer.refused > 0" class="said">
        {{ answer.refused }} rows could not be read and are left out. The first:
        {{
          answer.findings
            .slice(0, 3)
            .map(({ line, column, expected, found }) => `line ${line}, ${column}: expected ${expected}, found ${found}`)
            .join('; ')
        }}.
      </p>
      <div class="columns">
        <div>
          <h3>By event</h3>
          <table class="table figures">
            <thead>
              <tr>
                <th scope="col">Event</th>
                <th scope="col">Met {{ before.version }}</th>
                <th scope="col">Met {{ after.version }}</th>
                <th scope="col">to met</th>
                <th scope="col">to short</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="event in impact.events" :key="event.eventId">
                <th scope="row">{{ nameOf(event.eventId) }}</th>
                <td>{{ rate(event.metBefore, impact.people) }}</td>
                <td>{{ rate(event.metAfter, impact.people) }}</td>
                <td>{{ event.toMet }}</td>
                <td>{{ event.toShort }}</td>
              </tr>
            </tbody>
          </table>
          <ul class="moves">
            <li v-for="move in moves" :key="move.before + move.after">
              <strong class="figures">{{ move.people }}</strong> from {{ OUTCOMES[move.before] }} to
              {{ OUTCOMES[move.after] }}
            </li>
          </ul>
        </div>
        <div>
          <h3>By group: share that meets it</h3>
          <table class="table figures groups">
            <tbody>
              <tr v-for="group in impact.groups" :key="group.group">
                <th scope="row">{{ group.group }}</th>
                <td class="quiet">{{ group.people }}</td>
                <td>
                  <svg
                    :viewBox="`0 0 ${WIDTH} 20`"
                    role="img"
                    :aria-label="`${rate(group.metBefore, group.people)} before, ${rate(group.metAfter, group.people)} after`"
                  >
                    <line :x1="x(0)" :x2="x(1)" y1="10" y2="10" class="rule" />
                    <line
                      :x1="x(group.metBefore / group.people)"
                      :x2="x(group.metAfter / group.people)"
                      y1="10"
                      y2="10"
                      class="move"
                    />
                    <circle :cx="x(group.metBefore / group.people)" cy="10" r="4.5" class="old" />
                    <rect :x="x(group.metAfter / group.people) - 4" y="3" width="8" height="14" rx="2" class="new" />
                  </svg>
                </td>
                <td>{{ rate(group.metBefore, group.people) }}</td>
                <td>{{ rate(group.metAfter, group.people) }}</td>
              </tr>
            </tbody>
          </table>
          <small class="quiet">Ring: version {{ before.version }}. Marker: version {{ after.version }}.</small>
        </div>
      </div>
      <CompareFair :impact="impact" :before="before" :after="after" />
      <details v-if="impact.changed.length" @toggle="showsChanged = ($event.target as HTMLDetailsElement).open">
        <summary>
          The {{ impact.changed.length === impact.changedInAll ? '' : 'first ' }}{{ impact.changed.length }} who would
          change, with their margins under version {{ after.version }}
        </summary>
        <div v-if="showsChanged" class="scroll">
          <table class="table figures">
            <thead>
              <tr>
                <th scope="col">Who, when</th>
                <th scope="col">Age, category</th>
                <th scope="col">Change</th>
                <th scope="col">Because of</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="person in impact.changed" :key="person.key">
                <th scope="row">{{ person.key }}</th>
                <td>{{ person.ageYears }}, {{ person.category }}</td>
                <td>{{ OUTCOMES[person.before] }} to {{ OUTCOMES[person.after] }}</td>
                <td>{{ person.events.map(marginWords).join('; ') }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </details>
    </template>
  </section>
</template>

<style scoped>
.impact {
  padding: 16px 20px;
  margin-bottom: 14px;
}
header {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
header h2 {
  margin-right: auto;
}
.impact > p {
  margin: 8px 0 0;
}
.sum strong {
  font-size: 1.0625rem;
}
.said {
  color: var(--decide);
}
.progress-line {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 10px;
}
progress {
  flex: 1;
  accent-color: var(--met);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 32px;
  margin-top: 14px;
}
h3 {
  font-size: 0.9375rem;
  margin: 0 0 4px;
}
.table {
  font-size: 0.875rem;
  margin: 0;
}
.table :is(th, td) {
  padding: 4px 10px 4px 0;
}
tbody th {
  font-weight: 400;
}
.moves {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
.groups svg {
  width: 100%;
  min-width: 120px;
  max-width: 220px;
  display: block;
}
.rule {
  stroke: var(--line-2);
}
.move {
  stroke: var(--ink);
  stroke-width: 2;
}
.old {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.new {
  fill: var(--vest);
  stroke: #10201d;
  stroke-width: 1.6;
}
details {
  margin-top: 12px;
}
summary {
  min-height: 32px;
}
.scroll {
  max-height: 340px;
  overflow: auto;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
