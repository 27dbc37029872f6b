<script setup lang="ts">
/** Where graders train their eye: an event, a level, a set; what they made of earlier ones; how fresh everybody is. */
import {
  forceOn,
  printDate,
  type DrillMark,
  type DrillResult,
  type StandardEvent,
  type VersionSummary,
} from '@able-gauge/core'
import {
  DRILL_LEVELS,
  isFresh,
  isMovement,
  PRACTISED,
  practisedAs,
  type DrillLevel,
  type Practised,
} from '@able-gauge/core/drill'
import type { Standard } from '@able-gauge/core'
import { BFormInput, BFormRadio, BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { inWords, NoAnswer } from '../api.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useSession } from '../session/sessionStore.ts'
import { listVersions } from '../standards/standardCalls.ts'
import HouseBand from '../ui/HouseBand.vue'
import { today } from '../ui/localTime.ts'
import { countWaiting, listDrills, readMarks } from './drillCalls.ts'
import EyeHistory from './EyeHistory.vue'
import FigureDrawing from './FigureDrawing.vue'
import { barsOf, frameOf } from './frames.ts'
import { keptStandards, standardToPractise } from './keptStandards.ts'
import { lanesFor } from './practiceDay.ts'
import { LEVEL_WORDS, PRACTISED_NAMES } from './practisedNames.ts'
import { posterOf } from './poster.ts'
import { addressOf, someSeed } from './setAddress.ts'

const session = useSession()
const house = useHouseRules()
const versions = ref<readonly VersionSummary[]>([])
const standards = shallowRef<readonly Standard[]>([])
const drills = ref<readonly DrillResult[]>([])
const marks = ref<readonly DrillMark[]>([])
const problem = ref('')
const isOffline = ref(false)
const level = ref<DrillLevel>(2)
const seed = ref(someSeed())
const chosen = ref('')

/** Those in force today that can be practised on. */
const readAll = async (): Promise<void> => {
  versions.value = (await listVersions()).filter(
    (version) => version.state === 'published' && forceOn(version, today()) === 'now',
  )
  standards.value = await Promise.all(versions.value.map(({ id, version }) => standardToPractise(id, version)))
}
onMounted(async () => {
  void house.read()
  try {
    await readAll()
    drills.value = await listDrills(session.account?.id ?? '')
    if (session.can('practice.marks')) marks.value = await readMarks()
  } catch (error) {
    if (error instanceof NoAnswer) {
      isOffline.value = true
      standards.value = keptStandards()
    } else problem.value = inWords(error)
  }
})

interface Choice {
  readonly key: string
  readonly standard: Standard
  readonly event: StandardEvent
  readonly what: Practised
}
const choices = computed(() =>
  standards.value.flatMap((standard) =>
    [...standard.events, ...(standard.alternateEvents ?? [])].flatMap((event): Choice[] => {
      const [what] = practisedAs(event)
      return what === undefined
        ? []
        : [{ key: `${standard.id} ${standard.version} ${event.id}`, standard, event, what }]
    }),
  ),
)
watch(choices, (all) => {
  if (!all.some(({ key }) => key === chosen.value)) chosen.value = all[0]?.key ?? ''
})
const choice = computed(() => choices.value.find(({ key }) => key === chosen.value))
/** What it is drawn as, where a name leaves a choice. */
const drawnAs = ref<Practised | null>(null)
watch(choice, (one) => (drawnAs.value = one?.what ?? null))
const others = computed(() => (choice.value ? practisedAs(choice.value.event) : []))
const lanes = ref(1)
watch(
  () => drawnAs.value,
  (what) => (lanes.value = what === null ? 1 : (lanesFor(what)[0] ?? 1)),
)
const laneChoices = computed(() => (drawnAs.value === null ? [] : lanesFor(drawnAs.value)))
const address = computed(() => {
  const [one, what] = [choice.value, drawnAs.value]
  if (!one || what === null || !Number.isInteger(seed.value) || seed.value < 1 || seed.value > 9_999) return null
  const set = { eventId: one.event.id, what, level: level.value, seed: seed.value, lanes: lanes.value }
  return addressOf(one.standard.id, one.standard.version, set)
})
const waiting = computed(() => countWaiting(session.account?.id ?? ''))
/** What this person has practised, the latest first. */
const practised = computed(() => PRACTISED.filter((what) => drills.value.some((drill) => drill.what === what)))
const rule = computed(() => house.rules?.practice ?? null)
const dateOf = (ms: number): string => printDate(new Date(ms).toISOString().slice(0, 10))
const people = computed(() => {
  const byName = new Map<string, DrillMark[]>()
  for (const mark of marks.value) byName.set(mark.accountId, [...(byName.get(mark.accountId) ?? []), mark])
  return [...byName.values()]
    .map((own) => [...own].sort((a, b) => b.doneAtMs - a.doneAtMs))
    .sort((a, b) => (a[0]?.name ?? '').localeCompare(b[0]?.name ?? ''))
})
const freshWord = (mark: DrillMark): string =>
  rule.value && isMovement(mark.what) && isFresh(mark, rule.value, Date.now()) ? 'fresh' : ''
</script>

<template>
  <HouseBand />
  <main class="room">
    <h1>Practice</h1>
    <p class="quiet lead">
      People who were never there do repetitions, some of them wrong, by the reasons of your own standards. You count
      and refuse on the console of the day, and look at every one again afterwards. Nothing of it is on anybody’s
      record.
    </p>
    <p v-if="problem" class="sheet note" role="alert">{{ problem }}</p>
    <p v-if="isOffline" class="sheet note" role="status">
      No connection: sets of standards that were practised on here still open, and wait on this device to be sent.
    </p>
    <section class="sheet choose">
      <h2>What to look at</h2>
      <ul class="events">
        <li v-for="one in choices" :key="one.key">
          <button :class="{ chosen: one.key === chosen }" :aria-pressed="one.key === chosen" @click="chosen = one.key">
            <span class="poster">
              <FigureDrawing
                v-if="one.what !== 'finishLine'"
                :shapes="posterOf(one.what)"
                :frame="frameOf(one.what, 'side')"
                :bars="barsOf(one.what)"
                :mirrored="one.what === 'reach'"
                label=""
              />
              <span v-else class="figures line-poster">1 2 3</span>
            </span>
            <strong>{{ one.what === 'finishLine' ? `${one.event.name}: finish` : one.event.name }}</strong>
            <small class="quiet">{{ one.standard.name }}</small>
          </button>
        </li>
      </ul>
      <div class="how">
        <fieldset>
          <legend>Level</legend>
          <BFormRadio
            v-for="one in DRILL_LEVELS"
            :key="one"
            v-model="level"
            button
            button-variant="quiet"
            :value="one"
            name="level"
          >
            <strong class="figures">{{ one }}</strong><small>{{ LEVEL_WORDS[one - 1] }}</small>
          </BFormRadio>
        </fieldset>
        <label v-if="others.length > 1" class="field"
          >Drawn as
          <BFormSelect
            v-model="drawnAs"
            :options="others.map((what) => ({ value: what, text: PRACTISED_NAMES[what] }))"
          />
        </label>
        <label v-if="laneChoices.length > 1" class="field"
          >Watching
          <BFormSelect
            v-model="lanes"
            :options="laneChoices.map((many) => ({ value: many, text: many === 1 ? 'one candidate' : 'four lanes' }))"
          />
        </label>
        <label class="field number"
          >Set
          <BFormInput v-model.number="seed" type="number" min="1" max="9999" />
          <small class="quiet">the same for everybody</small>
        </label>
        <RouterLink v-if="address" class="btn btn-primary btn-lg go" :to="address">Begin</RouterLink>
      </div>
    </section>
    <p v-if="waiting > 0" role="status">
      {{ waiting }} {{ waiting === 1 ? 'set waits' : 'sets wait' }} on this device until there is a network.
    </p>
    <div class="past">
      <EyeHistory v-for="what in practised" :key="what" :what="what" :drills="drills" />
    </div>
    <section v-if="people.length > 0" class="sheet everybody">
      <h2>Everybody, as they practised last</h2>
      <p v-if="rule" class="quiet">
        The house asks for {{ (rule.atLeastHundredths / 100).toFixed(2) }} at level {{ rule.level }} or above, no longer
        than {{ rule.withinDays }} days ago. It stops nobody.
      </p>
      <p v-else class="quiet">
        The house asks for nothing. What it asks is set under
        <RouterLink :to="{ name: 'houseRules' }">House rules</RouterLink>.
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">Who</th>
            <th scope="col">What</th>
            <th scope="col">Level</th>
            <th scope="col">Agreement</th>
            <th scope="col">Last</th>
            <th scope="col"><span class="visually-hidden">Fresh</span></th>
          </tr>
        </thead>
        <tbody v-for="own in people" :key="own[0]?.accountId">
          <tr v-for="(mark, index) in own" :key="`${mark.what} ${mark.level}`">
            <th scope="row">{{ index === 0 ? mark.name : '' }}</th>
            <td>{{ PRACTISED_NAMES[mark.what] }}</td>
            <td class="figures">{{ mark.level }}</td>
            <td class="figures">{{ mark.mark === null ? 'none' : mark.mark.toFixed(2) }}</td>
            <td class="figures">{{ dateOf(mark.doneAtMs) }}</td>
            <td>{{ freshWord(mark) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </main>
</template>

<style scoped>
.lead {
  max-width: 78ch;
}
.note {
  padding: 10px 16px;
  background: var(--decide-tint);
  border-color: var(--decide-edge);
}
.choose,
.everybody {
  padding: 14px 18px 18px;
}
h2 {
  font-size: 1.1875rem;
  margin: 0 0 10px;
}
.events {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(176px, 1fr));
  gap: 8px;
}
.events button {
  width: 100%;
  height: 100%;
  display: flex;
  flex-direction: column;
  text-align: left;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 8px 12px;
  color: inherit;
}
.events .chosen {
  outline: 3px solid var(--bar-2);
  outline-offset: -1px;
}
.events small {
  line-height: 1.2;
}
.poster {
  height: 88px;
  display: flex;
  align-items: flex-end;
  margin-bottom: 6px;
}
.line-poster {
  font-size: 1.8rem;
  font-weight: 700;
  border-right: 5px solid var(--ink);
  padding-right: 10px;
  margin: 0 auto 12px;
}
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 20px;
  align-items: flex-end;
  margin-top: 16px;
}
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0;
}
legend,
.field {
  font-size: 0.9375rem;
  font-weight: 650;
}
legend {
  margin: 0 0 4px;
}
fieldset :deep(.btn) {
  --bs-btn-border-color: var(--line-2);
  --bs-btn-active-bg: var(--bar);
  --bs-btn-active-color: var(--bar-ink);
  display: flex;
  flex-direction: column;
  min-width: 92px;
  min-height: 52px;
  padding: 4px 10px;
  line-height: 1.2;
  text-align: left;
  font-weight: inherit;
}
.field {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.number {
  max-width: 150px;
}
.number small {
  font-weight: 400;
}
.go {
  margin-left: auto;
  min-width: 160px;
}
.past {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 14px;
  margin: 14px 0;
}
table {
  width: 100%;
  max-width: 760px;
}
th,
td {
  padding: 4px 12px 4px 0;
  border-bottom: 1px solid var(--line);
  font-weight: 500;
}
thead th {
  color: var(--ink-2);
}
@media (max-width: 600px) {
  .events {
    grid-template-columns: 1fr 1fr;
  }
  .go {
    width: 100%;
  }
}
</style>
