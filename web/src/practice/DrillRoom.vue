<script setup lang="ts">
/** A set to practise on: people who move on one side, the real console on the other, and a look back at the end. */
import type { DayAnswer, DrillResult, Standard } from '@able-gauge/core'
import { v4 as newId } from 'uuid'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { inWords } from '../api.ts'
import { useDay } from '../day/dayStore.ts'
import { useSession } from '../session/sessionStore.ts'
import { today } from '../ui/localTime.ts'
import BrandMark from '../ui/BrandMark.vue'
import DrillAtWork from './DrillAtWork.vue'
import DrillReview from './DrillReview.vue'
import FinishReview from './FinishReview.vue'
import ReachReview from './ReachReview.vue'
import { keepDrill } from './drillCalls.ts'
import { eventOf, practiceDay, type PracticeSet } from './practiceDay.ts'
import { PRACTISED_NAMES } from './practisedNames.ts'
import { setIn } from './setAddress.ts'
import { standardToPractise } from './keptStandards.ts'
import type { DrillAtWork as AtWork } from './useDrill.ts'

const route = useRoute()
const store = useDay()
const session = useSession()
const standard = shallowRef<Standard | null>(null)
const problem = ref('')
/** What was worked, once it is over. */
const worked = shallowRef<AtWork | null>(null)
const kept = shallowRef<DrillResult | null>(null)
const waits = ref(false)

const set = computed(() => setIn(route))
const begin = async (asked: PracticeSet | null): Promise<void> => {
  // the console of the set before goes with its day: it would go on looking at captures of that one
  store.close()
  worked.value = kept.value = null
  waits.value = false
  problem.value = ''
  if (!asked) {
    problem.value = 'This address names no set. Choose one in the practice room.'
    return
  }
  try {
    const read = await standardToPractise(String(route.params['standardId']), Number(route.params['version']))
    const made: DayAnswer | null = practiceDay(read, asked, today())
    if (!made) throw new RangeError('The standard has no such event.')
    standard.value = read
    store.practise(made)
  } catch (error) {
    problem.value = error instanceof RangeError ? error.message : inWords(error)
  }
}
watch(
  () => route.fullPath,
  () => route.name === 'drill' && void begin(set.value),
  { immediate: true },
)
onScopeDispose(() => store.close())

const event = computed(() => store.day?.standard.events[0])
/** As it is published, for what it is called. */
const published = computed(() => standard.value && set.value && eventOf(standard.value, set.value.eventId))

const onOver = async (atWork: AtWork): Promise<void> => {
  worked.value = atWork
  const [asked, account, of] = [set.value, session.account, standard.value]
  if (!asked || !account || !of) return
  const { answers, ends } = atWork
  const body = { id: newId(), standardId: of.id, version: of.version, ...asked, doneAtMs: Date.now() }
  try {
    kept.value = await keepDrill(account.id, { ...body, answers: answers.value, ends: ends.value })
    waits.value = kept.value === null
  } catch (error) {
    problem.value = inWords(error)
  }
}
</script>

<template>
  <header class="band no-print">
    <BrandMark /><strong>Able Gauge</strong>
    <div v-if="set && standard" class="title">
      <strong>Practice: {{ published?.name.toLowerCase() }}, level {{ set.level }}</strong>
      <span>{{ standard.name }}, version {{ standard.version }}. Nothing here is on anybody’s record.</span>
    </div>
    <div v-if="set" class="who">
      <strong>{{ session.account?.displayName }}</strong>
      <span>set {{ set.seed }}, the same for everybody who takes it</span>
    </div>
    <RouterLink class="btn btn-quiet leave" :to="{ name: 'practice' }">Leave</RouterLink>
  </header>
  <main v-if="problem" class="room">
    <p class="sheet p-4" role="alert">{{ problem }}</p>
    <RouterLink class="btn btn-primary" :to="{ name: 'practice' }">To the practice room</RouterLink>
  </main>
  <template v-if="set && standard && event && store.day && store.isPractice">
    <DrillReview
      v-if="worked?.drill"
      :set="set"
      :standard="standard"
      :at-work="worked"
      :kept="kept"
      :waits="waits"
      @again="begin(set)"
    />
    <component
      :is="worked.ruler ? ReachReview : FinishReview"
      v-else-if="worked"
      :set="set"
      :standard="standard"
      :at-work="worked"
      :kept="kept"
      :waits="waits"
      @again="begin(set)"
    />
    <DrillAtWork v-else :key="route.fullPath" :day="store.day" :event="event" :set="set" @over="onOver" />
  </template>
  <p v-else-if="!problem" class="room quiet">
    Opening {{ set ? PRACTISED_NAMES[set.what].toLowerCase() : 'the set' }} …
  </p>
</template>

<style scoped>
.band {
  background: var(--bar);
  color: var(--bar-ink);
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 20px;
  min-height: 64px;
}
.band > strong {
  white-space: nowrap;
}
.title {
  border-left: 1px solid var(--bar-2);
  margin-left: 10px;
  padding-left: 16px;
}
.title,
.who {
  display: flex;
  flex-direction: column;
  line-height: 1.3;
  min-width: 0;
}
.title span,
.who span {
  color: var(--bar-ink-2);
  font-size: 0.8125rem;
}
.who {
  margin-left: auto;
  text-align: right;
}
.who strong {
  font-weight: 500;
}
.leave {
  color: inherit;
  background: none;
  border-color: var(--bar-ink-2);
  margin-left: 8px;
}
@media (max-width: 900px) {
  .band {
    padding: 6px 12px;
    min-height: 52px;
  }
  .band > strong,
  .who,
  .title span {
    display: none;
  }
  .title {
    border: 0;
    margin: 0;
    padding: 0;
    flex: 1;
  }
}
</style>
