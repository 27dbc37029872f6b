<script setup lang="ts">
/** What must I reach: the value asked of this person in each event, what more would give, and how to divide a limit. */
import {
  printClock,
  printLength,
  printPoints,
  printQuantity,
  type Candidate,
  type Reach,
  type Standard,
} from '@able-gauge/core'
import { computed } from 'vue'
import Gauge from '../../ui/Gauge.vue'
import TryChain from './TryChain.vue'

const props = defineProps<{
  standard: Standard
  reach: readonly Reach[]
  candidate: Candidate
  ageProblem: string
}>()

const MISSING = {
  noBand: 'No row of the standard is for this age and category.',
  severalBands: 'More than one row of the standard is for this age and category.',
  noBodyMass: 'Enter a body mass: the cut is a share of it.',
} as const

const total = computed(() => {
  const { combination } = props.standard
  return combination.kind === 'pointsTotal' ? combination : null
})
const bound = (sense: Reach['sense']): string => (sense === 'atLeast' ? 'at least' : 'at most')
</script>

<template>
  <div class="reach">
    <p v-if="ageProblem" class="problem">{{ ageProblem }}</p>
    <p v-if="total" class="total">
      <strong>{{ printPoints(total.totalCentipoints) }} points in total</strong>
      <template v-for="{ id, name, fromCentipoints } in total.classes" :key="id"
        >, {{ name }} from {{ printPoints(fromCentipoints) }}</template
      >
    </p>
    <section v-for="one in reach" :key="one.eventId" class="sheet event">
      <header>
        <h2>{{ one.event.name }}</h2>
        <strong v-if="one.cut" class="asked"
          >{{ bound(one.sense) }}
          <span class="figures">{{ printQuantity(one.cut.value, one.unit, one.event.publishedIn) }}</span></strong
        >
        <span v-else-if="one.missing" class="missing">{{ MISSING[one.missing] }}</span>
        <span v-else class="quiet">Nothing has to be reached.</span>
      </header>
      <Gauge
        v-if="one.cut && one.cut.unit !== 'done'"
        :cut="one.cut"
        :protocol="one.event.protocol"
        :value="null"
        size="large"
      />
      <h3 v-if="one.steps.length">
        {{ one.event.scoring.kind === 'normClasses' ? 'Classes from the second up' : 'Points and what they take' }}
      </h3>
      <div v-if="one.steps.length" class="steps">
        <span v-for="step in one.steps" :key="step.label" class="step">
          <small class="quiet">{{ step.label }}</small
          ><span class="figures">{{ printQuantity(step.value, one.unit, one.event.publishedIn) }}</span>
        </span>
      </div>
      <template v-if="one.splits.length > 1">
        <h3>Even laps that meet it</h3>
        <div class="steps">
          <span v-for="split in one.splits" :key="split.lap" class="step">
            <small class="quiet">{{ printLength(split.distanceMm) }}</small
            ><span class="figures">{{ printClock(split.atMs, 1) }}</span>
          </span>
        </div>
      </template>
      <TryChain
        v-if="'segments' in one.event.protocol && one.cut"
        :protocol="one.event.protocol"
        :limit-ms="one.cut.value"
      />
    </section>
    <p class="quiet">
      Build up over weeks, not days. Talk to a clinician before hard training after illness or injury.
    </p>
  </div>
</template>

<style scoped>
.reach {
  display: grid;
  gap: 10px;
}
.total {
  margin: 0;
}
.event {
  padding: 12px 18px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  align-items: baseline;
}
.asked .figures {
  font-size: 1.375rem;
}
.missing {
  color: var(--decide);
}
h3 {
  font-size: 0.875rem;
  margin: 8px 0 0;
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
.step {
  display: grid;
  border: 1px solid var(--line);
  border-radius: 6px;
  padding: 4px 12px;
}
.step small {
  font-size: 0.8125rem;
}
</style>
