<script setup lang="ts">
/** Plans to choose from, with what each costs and saves. */
import { type DayPlan, type Proposal, type ProposalChange, WavesAnswer } from '@able-gauge/core'
import { BButton, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref, watch } from 'vue'
import { call, inWords } from '../api.ts'
import { eventName, type Day } from '../day/day.ts'
import { useDay } from '../day/dayStore.ts'
import { clockAt } from './clockAt.ts'
import { useProposals, type WavesBy } from './useProposals.ts'
import type { PlanDraft } from './usePlan.ts'

const props = defineProps<{ day: Day; draft: PlanDraft }>()
/** The plan that is looked at; null for the one being edited. */
const emit = defineEmits<{ show: [proposal: Proposal | null] }>()

const store = useDay()
const { proposals, busy, problem, propose } = useProposals(() => props.day, props.draft.plan)
const wavesBy = ref<WavesBy>('bib')
/** By unit only where people of several are entered. */
const groupings = computed(() => [
  { value: 'bib', text: 'bib' },
  { value: 'category', text: 'category' },
  ...(new Set(Object.values(props.day.unitsOf)).size > 1 ? [{ value: 'unit', text: 'unit' }] : []),
])
const chosen = ref(0)
const taking = ref(false)
const taken = ref('')
watch(proposals, () => (chosen.value = 0))

const LETTERS = 'ABCDE'
const sayChange = (change: ProposalChange): string => {
  switch (change.code) {
    case 'oneMoreStation':
      return `one more station at ${eventName(props.day, change.eventId).toLowerCase()}${change.accountId === null ? ', one more grader' : ''}`
    case 'rotated':
      return 'events in turn'
    case 'startsEarlier':
      return `first event at ${change.startsAt}`
  }
}
const startsAt = ({ plan }: Proposal): string => plan.days[0]?.startsAt ?? '09:00'
const sizes = ({ waves }: Proposal): string => {
  const counts = waves.map(({ entryIds }) => entryIds.length)
  const [least, most] = [Math.min(...counts), Math.max(...counts)]
  return waves.length === 1
    ? `1 wave of ${most}`
    : `${waves.length} waves of ${least === most ? most : `${least} to ${most}`}`
}
const choices = computed(() =>
  proposals.value.map((proposal, index) => ({
    proposal,
    letter: LETTERS[index] ?? '',
    says: [
      ...proposal.changes.map(sayChange),
      sizes(proposal),
      `ends ${clockAt(startsAt(proposal), proposal.timetable.endMs[0] ?? 0)}`,
    ].join(', '),
  })),
)
const shown = computed(() => choices.value[chosen.value])
watch(shown, (one) => emit('show', one?.proposal ?? null))
const bound = computed(() => {
  const one = shown.value?.proposal
  if (!one) return ''
  const over = Math.round((one.lengthMs / one.boundMs - 1) * 100)
  return over <= 0
    ? 'With these stations and this staff no plan is shorter, in whatever waves.'
    : `With these stations and this staff no plan ends before ${clockAt(startsAt(one), one.boundMs)}, in whatever waves; this one is ${over} % longer.`
})

/** Waves are set at once, since other people work with them; the plan is changed here and saved with the rest. */
const take = async (): Promise<void> => {
  const one = shown.value
  if (!one) return
  taking.value = true
  problem.value = ''
  try {
    const { id } = props.day.occasion
    const waves = one.proposal.waves.flatMap(({ wave, entryIds }) => entryIds.map((entryId) => ({ entryId, wave })))
    await call('PUT', `/occasions/${id}/waves`, WavesAnswer, { waves })
    props.draft.change(one.proposal.plan satisfies DayPlan)
    const isChanged = props.draft.changes.value.length > 0
    taken.value = `${one.letter} is taken.${isChanged ? ' Save the plan to keep it.' : ''}`
    proposals.value = []
    await store.reread(id)
  } catch (error) {
    problem.value = inWords(error)
  } finally {
    taking.value = false
  }
}
const ask = async (): Promise<void> => {
  taken.value = ''
  await propose(wavesBy.value)
}
</script>

<template>
  <section class="proposals" aria-label="Proposals">
    <div class="choices" role="group" aria-label="Plans to choose from">
      <button
        v-for="({ letter, says }, index) in choices"
        :key="letter"
        type="button"
        class="choice"
        :aria-pressed="chosen === index"
        @click="chosen = index"
      >
        <strong>{{ letter }}</strong> {{ says }}
      </button>
      <span v-if="choices.length === 0" class="quiet">
        {{
          taken ||
          'Waves, staff and the order of turns can be worked out from the people, the stations and the staff there are.'
        }}
      </span>
    </div>
    <label class="by">Waves by <BFormSelect v-model="wavesBy" size="sm" :options="groupings" /></label>
    <BButton variant="quiet" :disabled="busy || day.entries.length === 0" @click="ask">{{
      busy ? 'Working it out …' : choices.length > 0 ? 'Propose again' : 'Propose a plan'
    }}</BButton>
    <BButton v-if="shown" variant="primary" :disabled="taking" @click="take">Take {{ shown.letter }}</BButton>
    <p v-if="shown" class="bound">{{ bound }}</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.proposals {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin-bottom: 12px;
}
.choices {
  display: flex;
  flex: 1 1 420px;
  flex-wrap: wrap;
  gap: 8px;
}
.choice {
  padding: 8px 12px;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-2);
  border-radius: 6px;
  text-align: left;
  min-height: 44px;
}
.choice[aria-pressed='true'] {
  background: var(--tint);
  border: 2px solid var(--bar-2);
  padding: 7px 11px;
}
.by {
  display: flex;
  gap: 8px;
  align-items: center;
  white-space: nowrap;
}
.bound,
.problem {
  flex-basis: 100%;
  margin: 0;
}
</style>
